import { Component, type ReactNode } from 'react';
import { View } from 'react-native';
import { Button, Go, space, Txt, styleSheet } from '../../ui';

interface State {
  fault: Error | null;
}

/** Catches a fault in one screen: says what happened, keeps the rest of the app usable, and offers the data as a file. */
export class Boundary extends Component<{ children: ReactNode }, State> {
  override state: State = { fault: null };

  static getDerivedStateFromError(fault: unknown): State {
    return { fault: fault instanceof Error ? fault : new Error(String(fault)) };
  }

  override render(): ReactNode {
    const { fault } = this.state;
    if (!fault) return this.props.children;
    return (
      <View role="main" style={styles.page}>
        <Txt kind="title" heading={1}>
          This screen broke
        </Txt>
        <Txt
          live
        >{`What you entered is safe in this browser. The fault was: ${fault.message || fault.name}.`}</Txt>
        <Txt tone="second">
          The other places work. If it happens again, export your data under Files: the file holds everything
          the fault may hang on.
        </Txt>
        <View style={styles.ways}>
          <Button label="Try again" kind="primary" onPress={() => this.setState({ fault: null })} />
          <Go href="/files">Export the data</Go>
        </View>
      </View>
    );
  }
}

const styles = styleSheet({
  page: { flex: 1, padding: space(5), gap: space(4), maxWidth: 640 },
  ways: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space(4) },
});
