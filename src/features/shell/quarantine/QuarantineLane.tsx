import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { commit, localDay, newId, shortWrittenDay, useAppDispatch, useKinds } from '../../../store';
import { Button, Go, Row, space, Txt } from '../../../ui';
import { BeadLanes } from '../../../ui/charts/BeadLanes';
import { animalWords } from '../../../../core/words';
import { Verdicts } from '../company';
import { clockWords, resetWords, type QuarantineView } from './view';

/** One quarantine system: who is in it, its beads, and the daily look. */
export function QuarantineLane({
  view,
  right,
  onPage = false,
}: {
  view: QuarantineView;
  right?: string;
  /** It stands on its own page, where its name and its day are told above. */
  onPage?: boolean;
}) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const { quarantine, clock, animals } = view;
  const words = clockWords(view, shortWrittenDay);
  const resets = resetWords(clock, shortWrittenDay);
  const kinds = useKinds();
  const page = `/water/${quarantine.id}`;
  const stands = clock.status === 'signPresent';
  const look = () =>
    dispatch(
      commit(stands ? 'Look logged: all healed' : 'Look logged: all clear', [
        {
          put: 'looks',
          entity: {
            id: newId(),
            waterId: quarantine.id,
            day: localDay(Date.now()),
            result: stands ? 'healed' : 'clear',
            signs: [],
            note: '',
          },
        },
      ]),
    );
  // A sign of today stays: the day keeps its worst.
  const brokenToday = clock.strings[clock.strings.length - 1]?.broken?.day === localDay(Date.now());
  return (
    <View style={{ gap: space(2) }}>
      {onPage ? null : (
        <Row style={{ justifyContent: 'space-between' }}>
          <Go href={page as Href}>{quarantine.name}</Go>
          {right ? (
            <Txt kind="small" tone="second">
              {right}
            </Txt>
          ) : null}
        </Row>
      )}
      {animals.length === 0 ? <Txt kind="row">No animal in it</Txt> : null}
      {animals.length > 0 ? (
        <Row wrap>
          {animals.map((a) => (
            <Go key={a.id} href={`${page}/stock/${a.id}` as Href}>
              {animalWords(kinds, a)}
            </Go>
          ))}
        </Row>
      ) : null}
      <Verdicts of={view.together} />
      {onPage ? null : (
        <Txt>
          <Txt kind="strong">{`${words.title}. `}</Txt>
          {words.text}
        </Txt>
      )}
      {view.lanes.length > 0 ? (
        <BeadLanes
          lanes={view.lanes}
          toCome={view.toCome}
          clockDays={clock.clockDays}
          summary={`${words.title}. ${words.text} ${resets.join(' ')}`}
        />
      ) : null}
      {clock.asks ? (
        <Txt tone="nitrite">
          Nobody looked for two days. If you did, enter the looks of those days; if not, look closely now.
        </Txt>
      ) : null}
      {resets.map((r) => (
        <Txt key={r} kind="small" tone="second">
          {r}
        </Txt>
      ))}
      {animals.length > 0 ? (
        <Row>
          <Button
            grow
            label={stands ? 'All are healed' : clock.lookedToday ? 'Looked today ✓' : 'All clear today'}
            name={`${stands ? 'All are healed' : 'All clear today'} in ${quarantine.name}`}
            disabled={stands ? brokenToday : clock.lookedToday}
            onPress={look}
          />
          <Button
            grow
            icon="look"
            label="I saw a sign"
            name={`I saw a sign in ${quarantine.name}`}
            onPress={() => router.push(`${page}?look=sign` as Href)}
          />
        </Row>
      ) : null}
      {animals.length > 0 ? (
        <Row>
          <Button
            kind="quiet"
            label="Another look"
            name={`Another look into ${quarantine.name}: of a past day, or of some of them`}
            onPress={() => router.push(`${page}?look=other` as Href)}
          />
        </Row>
      ) : null}
    </View>
  );
}
