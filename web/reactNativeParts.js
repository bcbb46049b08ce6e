/** What packages ask of react-native, and no more: lists, touchables and pickers of it are a tenth of what a first screen would fetch. Our own
 *  code asks for each part by itself (the preset sees to that). */
export { default as I18nManager } from 'react-native-web/dist/exports/I18nManager';
export { default as Image } from 'react-native-web/dist/exports/Image';
export { default as Platform } from 'react-native-web/dist/exports/Platform';
export { default as Pressable } from 'react-native-web/dist/exports/Pressable';
export { default as ScrollView } from 'react-native-web/dist/exports/ScrollView';
export { default as StyleSheet } from 'react-native-web/dist/exports/StyleSheet';
export { default as Text } from 'react-native-web/dist/exports/Text';
export { default as View } from 'react-native-web/dist/exports/View';
export { default as useColorScheme } from 'react-native-web/dist/exports/useColorScheme';
