import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';
import { commit, localDay, newId, shortWrittenDay, useAppDispatch, useAppSelector } from '../../../store';
import { Button, Go, Row, space, Txt } from '../../../ui';
import { BeadLanes } from '../../../ui/charts/BeadLanes';
import { animalWords } from '../../../../core/words';
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
  const looks = useAppSelector((s) => s.document.entities.looks);
  const { quarantine, clock, animals } = view;
  const words = clockWords(view, shortWrittenDay);
  const resets = resetWords(clock, shortWrittenDay);
  const page = `/water/${quarantine.id}`;
  const lookClear = () => {
    const today = localDay(Date.now());
    const present = Object.values(looks).find((l) => l.waterId === quarantine.id && l.day === today);
    dispatch(
      commit('Look logged: all clear', [
        {
          put: 'looks',
          entity: {
            id: present?.id ?? newId(),
            waterId: quarantine.id,
            day: today,
            result: 'clear',
            signs: [],
            note: '',
          },
        },
      ]),
    );
  };
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
      <Txt kind="row">{animals.length > 0 ? animals.map(animalWords).join(', ') : 'No animal in it'}</Txt>
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
          clockDays={clock.clockDays + clock.addedDays}
          summary={`${words.title}. ${words.text} ${resets.join(' ')}`}
        />
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
            label={clock.lookedToday ? 'Looked today ✓' : 'All clear today'}
            name={`All clear today in ${quarantine.name}`}
            disabled={clock.lookedToday && clock.status !== 'signPresent'}
            onPress={lookClear}
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
    </View>
  );
}
