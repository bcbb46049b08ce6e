// Reading what is stored begins before the router's own code runs: the two overlap.
import './src/features/shell/started';
import 'expo-router/entry';
