import { GONE, type Animal } from '../../../core/document';
import type { Truth } from '../../../core/practice';
import { animalWords } from '../../../core/words';
import { commit, isoOf, selectDocument, useAppDispatch, useAppSelector, useKinds } from '../../store';
import { Button, Row, Section } from '../../ui';

/** Who was found dead; logged by the player, who decides what to call it. */
export function Found({ lost }: { lost: Truth['lost'] }) {
  const dispatch = useAppDispatch();
  const animals = useAppSelector((s) => selectDocument(s).animals);
  const kinds = useKinds();
  const found = lost.flatMap((l): Animal[] => {
    const animal = animals[l.animalId];
    return animal && animal.moves[animal.moves.length - 1]?.to.kind !== 'gone' ? [animal] : [];
  });
  return (
    <>
      {found.map((a) => (
        <Section key={a.id} title={`Dead in the water: ${animalWords(kinds, a)}`}>
          <Row>
            <Button
              kind="primary"
              label="Log it"
              onPress={() =>
                void dispatch(
                  commit('Logged as dead', [
                    {
                      put: 'animals',
                      entity: {
                        ...a,
                        moves: [...a.moves, { to: GONE('died'), at: isoOf(Date.now()), why: 'found dead' }],
                      },
                    },
                  ]),
                )
              }
            />
          </Row>
        </Section>
      ))}
    </>
  );
}
