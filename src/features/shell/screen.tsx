import { startTransition, useEffect, useState, type ComponentType, type ReactElement } from 'react';
import { View } from 'react-native';
import { Button, Empty, Screen } from '../../ui';
import { Boundary } from './Boundary';
import { sharedCode } from './sharedCode';
import { draftsRead, hurry, pictureStood } from './started';

type Fetch = () => Promise<ComponentType>;
type State = { kind: 'waiting' } | { kind: 'here'; Screen: ComponentType } | { kind: 'unreachable' };

/** A screen whose code is fetched when it is first wanted; once here it is drawn at once. Half-done entries are read before it is shown. */
export function screen(fetchCode: Fetch): ComponentType & { prefetch: () => void } {
  let here: ComponentType | null = null;
  let coming: Promise<ComponentType> | null = null;
  const come = (): Promise<ComponentType> => {
    hurry();
    return (coming ??= Promise.all([sharedCode().then(fetchCode), draftsRead]).then(
      ([Fetched]) => (here = Fetched),
      (error: unknown) => {
        coming = null;
        throw error;
      },
    ));
  };

  function Wanted() {
    const [state, setState] = useState<State>(here ? { kind: 'here', Screen: here } : { kind: 'waiting' });
    useEffect(() => {
      if (state.kind !== 'waiting') return;
      let wanted = true;
      come().then(
        // Drawn in slices: a whole screen in one piece would hold up the first finger on it.
        (Fetched) => wanted && startTransition(() => setState({ kind: 'here', Screen: Fetched })),
        () => wanted && setState({ kind: 'unreachable' }),
      );
      return () => {
        wanted = false;
      };
    }, [state.kind]);
    if (state.kind === 'here') {
      return (
        <Boundary>
          <state.Screen />
        </Boundary>
      );
    }
    if (state.kind === 'waiting') return <Opening />;
    return (
      <Screen title="Not reached">
        <Empty
          alone
          title="This screen could not be fetched"
          text="The server that hands out the app does not answer. What you entered is safe in this browser."
        >
          <Button label="Try again" kind="primary" onPress={() => setState({ kind: 'waiting' })} />
        </Empty>
      </Screen>
    );
  }
  return Object.assign(Wanted, { prefetch: () => void come().catch(() => undefined) });
}

const Opening = () => <View role="main" aria-busy aria-label="Opening" />;

/** A screen of the first chunk. The page's first picture is drawn in one go; later the screen before goes at once, and this one follows in
 *  slices. */
export function inSlices(Screen: ComponentType): ComponentType {
  return function Sliced() {
    const [shown, setShown] = useState(!pictureStood());
    useEffect(() => startTransition(() => setShown(true)), []);
    return shown ? <Screen /> : <Opening />;
  };
}

/** A part of a screen whose code comes after the screen; `meanwhile` keeps its place, also where it cannot be fetched. */
export function part<Props extends object>(
  fetchCode: () => Promise<ComponentType<Props>>,
  meanwhile: () => ReactElement | null,
): ComponentType<Props> {
  let here: ComponentType<Props> | null = null;
  return function Part(props: Props) {
    const [Fetched, setFetched] = useState(() => here);
    useEffect(() => {
      if (Fetched) return;
      let wanted = true;
      sharedCode()
        .then(fetchCode)
        .then(
          (code) => {
            here = code;
            if (wanted) startTransition(() => setFetched(() => code));
          },
          () => undefined,
        );
      return () => {
        wanted = false;
      };
    }, [Fetched]);
    return Fetched ? <Fetched {...props} /> : meanwhile();
  };
}
