import { type Href } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';
import { Go, Section, space, styleSheet } from '../../ui';
import { LOGGABLE } from './eventForm';
import { EVENT_WORDS } from './eventWords';

/** What can be logged besides readings. */
export const EventLinks = memo(function EventLinks({ waterId }: { waterId: string }) {
  return (
    <Section title="Or log what you did">
      <View style={styles.links}>
        {LOGGABLE.map((kind) => (
          <Go key={kind} href={`/water/${waterId}/log/event?kind=${kind}` as Href}>
            {EVENT_WORDS[kind]}
          </Go>
        ))}
        <Go href={`/water/${waterId}/log/history` as Href}>History</Go>
      </View>
    </Section>
  );
});

const styles = styleSheet({ links: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space(5) } });
