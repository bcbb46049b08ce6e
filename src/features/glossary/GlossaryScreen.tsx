import { useState } from 'react';
import { View } from 'react-native';
import { errorReport, GLOSSARY } from '../../../core/words/glossary';
import { Button, Screen, space, TextField, Txt } from '../../ui';
import { download } from '../shell/download';

/** Terms in one line each, and a way to say that one of them is wrong. */
export function GlossaryScreen() {
  const [query, setQuery] = useState('');
  const q = query.trim().toLowerCase();
  const found = GLOSSARY.filter((t) => `${t.term} ${t.means}`.toLowerCase().includes(q)).sort((a, b) =>
    a.term.localeCompare(b.term),
  );
  return (
    <Screen title="Glossary">
      <Txt kind="title" heading={1}>
        Glossary
      </Txt>
      <TextField label="Find a term" value={query} onChange={setQuery} />
      {found.length === 0 ? <Txt tone="second">Not here. Try another word for it.</Txt> : null}
      {found.map((t) => (
        <View key={t.id} style={{ gap: space(1) }}>
          <Txt kind="row" heading={2}>
            {t.term}
          </Txt>
          <Txt>{t.means}</Txt>
          {t.formula ? (
            <Txt kind="small" tone="second">
              {t.formula}
            </Txt>
          ) : null}
          <Button
            kind="quiet"
            label="Report an error in it"
            name={`Report an error in it: ${t.term}`}
            onPress={() =>
              download(
                'zoarium-error.txt',
                'text/plain',
                errorReport(t.term, `${t.means} ${t.formula ?? ''}`),
              )
            }
          />
        </View>
      ))}
    </Screen>
  );
}
