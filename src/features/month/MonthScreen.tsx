import type { Display } from '../../../core/document';
import { monthLook } from '../../../core/monthly';
import { MINUTE_MS } from '../../../core/time';
import { monthWords } from '../../../core/words/monthly';
import { selectDocument, selectEvidence, shortDay, useAppSelector, useNow } from '../../store';
import { Screen } from '../../ui';
import { useWords, WithDisplay } from '../shell';
import { PrintedSheet } from '../shell/PrintedSheet';

export function MonthScreen() {
  return <WithDisplay>{(water) => <Month key={water.id} water={water} />}</WithDisplay>;
}

/** The last thirty days of a water on a page: used, spent, made, lost, and what drifts. */
function Month({ water }: { water: Display }) {
  const words = useWords();
  const now = useNow(MINUTE_MS);
  const doc = useAppSelector(selectDocument);
  const evidence = useAppSelector((s) => selectEvidence(s, water.id, now));
  const look = monthLook(doc, water, evidence);
  return (
    <Screen title="A month">
      <PrintedSheet
        title={`A month of ${water.name}`}
        lead={`${shortDay(look.fromMs)} to ${shortDay(look.toMs)}`}
        parts={monthWords(look, words)}
        print="Print it"
        keep="As a file"
        fileName={`${water.name}-month`}
      />
    </Screen>
  );
}
