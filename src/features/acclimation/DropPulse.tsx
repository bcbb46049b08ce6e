import { useEffect, useRef, useState } from 'react';
import { Animated, Pressable, View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { dropsFromCup, pulseOf } from '../../../core/acclimation';
import { readEntry } from '../../../core/units';
import { Button, Row, space, TextField, Txt, useReducedMotion, useTheme, styleSheet } from '../../ui';

/** A pulse to match the valve to; tap along with the drops to measure the real rate. */
export function DropPulse({
  dropsPerSecond,
  onMeasured,
}: {
  dropsPerSecond: number;
  onMeasured: (rate: number) => void;
}) {
  const { roles } = useTheme();
  const still = useReducedMotion();
  const pulse = useRef(new Animated.Value(0)).current;
  const [taps, setTaps] = useState<number[]>([]);
  const pulseNow = pulseOf(taps);
  const measured = pulseNow?.dropsPerSecond ?? null;
  const jitter = Math.round(100 * (pulseNow?.jitter ?? 0));
  useEffect(() => {
    // Above three a second it would flicker: show every second or third drop instead.
    const shown = dropsPerSecond / Math.ceil(dropsPerSecond / 3);
    if (still) return;
    const loop = Animated.loop(
      Animated.timing(pulse, { toValue: 1, duration: 1000 / shown, useNativeDriver: false }),
    );
    loop.start();
    return () => loop.stop();
  }, [dropsPerSecond, pulse, still]);
  const tap = () =>
    setTaps((was) => {
      const seconds = Date.now() / 1000;
      const last = was[was.length - 1];
      // A pause of five seconds starts a new measurement.
      return last !== undefined && seconds - last > 5 ? [seconds] : [...was, seconds].slice(-12);
    });
  const advice =
    measured === null
      ? null
      : measured < dropsPerSecond * 0.93
        ? 'open the valve a little.'
        : measured > dropsPerSecond * 1.07
          ? 'close the valve a little.'
          : 'as planned.';
  return (
    <Row style={styles.row}>
      <Pressable role="button" aria-label="A drop fell: tap with each one" onPress={tap} style={styles.drop}>
        <Animated.View
          style={{
            transform: [
              { scale: pulse.interpolate({ inputRange: [0, 0.15, 1], outputRange: [0.88, 1, 0.88] }) },
            ],
          }}
        >
          <Svg width={88} height={88} viewBox="0 0 88 88" aria-hidden>
            <Circle cx={44} cy={44} r={42} fill="none" stroke={roles.edge} strokeWidth={2} />
            <Circle cx={44} cy={44} r={32} fill={roles.nitrateFill} fillOpacity={0.5} />
            <Path d="M44 24c7 10 12 16 12 23a12 12 0 1 1-24 0c0-7 5-13 12-23Z" fill={roles.nitrate} />
          </Svg>
        </Animated.View>
      </Pressable>
      <View style={styles.words}>
        <Txt>
          {measured === null
            ? `Tap the drop with each fall to measure yours${taps.length > 0 ? ` (${taps.length})` : ''}.`
            : ''}
        </Txt>
        {measured === null ? null : (
          <>
            <Txt live>
              <Txt kind="strong">{`Now ${measured.toFixed(1)} a second`}</Txt>
              {`, ${jitter < 10 ? 'even' : `uneven by ${jitter} %`}: ${advice}`}
            </Txt>
            {advice === 'as planned.' ? null : (
              <Button
                kind="quiet"
                label="Reckon with mine"
                name={`Reckon with ${measured.toFixed(1)} drops a second from the start`}
                onPress={() => onMeasured(Math.min(50, measured))}
              />
            )}
          </>
        )}
      </View>
    </Row>
  );
}

/** Without counting: how long a cup takes to fill. */
export function CupWatch({
  dropsPerMl,
  onMeasured,
}: {
  dropsPerMl: number;
  onMeasured: (rate: number) => void;
}) {
  const [startedMs, setStarted] = useState<number | null>(null);
  const [mL, setMl] = useState('50');
  const amount = readEntry(mL, { name: 'The cup', unit: null, min: 5, max: 1000 });
  const stop = () => {
    if (startedMs === null || !amount.ok) return;
    const seconds = (Date.now() - startedMs) / 1000;
    setStarted(null);
    if (seconds >= 1) onMeasured(Math.min(50, dropsFromCup(amount.value, seconds, dropsPerMl)));
  };
  return (
    <Row wrap style={styles.row}>
      <View style={styles.cup}>
        <TextField
          numeric
          label="Or time a cup of"
          unit="mL"
          value={mL}
          onChange={setMl}
          error={amount.ok ? undefined : amount.message}
        />
      </View>
      <Button
        kind="quiet"
        label={startedMs === null ? 'Start the watch' : 'It is full'}
        onPress={startedMs === null ? () => setStarted(Date.now()) : stop}
      />
    </Row>
  );
}

const styles = styleSheet({
  row: { alignItems: 'center', gap: space(5) },
  drop: { width: 92, height: 92, alignItems: 'center', justifyContent: 'center', borderRadius: 46 },
  words: { flex: 1 },
  cup: { width: 160 },
});
