import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Told } from '../../../core/csv';
import type { Column, Document } from '../../../core/document';
import { commit, newId, useAppDispatch } from '../../store';
import { Button, Choice, Row, Section, space, Txt, useTheme, styleSheet } from '../../ui';
import { Pick } from '../../ui/Pick';
import { useTable } from '../../workers';
import { SaveButton, useSaving } from '../shell/saving';
import {
  columnOf,
  columnOptions,
  editsToImport,
  hasBasis,
  knownMapping,
  newIn,
  optionOf,
  otherHoursWords,
  titleOf,
  toldBy,
  unitChoices,
  type TableHere,
} from './tableText';

/** Faults and questions named. */
const MOST_LINES = 20;

/** A table of readings: how it is read, column by column, and what would come of it. Nothing is written before it is said. */
export function TableImport({
  file,
  name,
  doc,
  onDone,
}: {
  file: Blob;
  name: string;
  doc: Document;
  onDone: (imported: boolean) => void;
}) {
  const [said, setSaid] = useState<Told>({});
  const [before, setBefore] = useState<Told>({});
  const zone = useMemo(() => Intl.DateTimeFormat().resolvedOptions().timeZone, []);
  const told = useMemo(
    () => ({ ...before, ...said, columns: { ...before.columns, ...said.columns } }),
    [before, said],
  );
  const table = useTable(file, doc, told, zone);
  if (table === null) return <Txt live>{`Reading ${name}.`}</Txt>;
  if (table.kind === 'none')
    return (
      <Section title="No table of readings">
        <Txt tone="ammonia">{`${name}: ${table.message}. Nothing was changed.`}</Txt>
        <Row>
          <Button kind="quiet" label="Leave everything as it is" onPress={() => onDone(false)} />
        </Row>
      </Section>
    );
  const known = knownMapping(doc, table.header);
  if (known && before.columns === undefined) setBefore(toldBy(known));
  return (
    <Section title={table.read ? titleOf(table.read) : 'Not clear yet'}>
      <Txt kind="small" tone="second">
        {`${name}: ${table.rows} rows${known ? ', read as last time' : ''}. Times that name no zone are ${zone}.`}
      </Txt>
      <Doubts table={table} doc={doc} said={said} onSay={setSaid} />
      <WhoseReadings table={table} said={said} onSay={setSaid} />
      <WhatComes table={table} />
      <Import table={table} doc={doc} onDone={onDone} />
      <Columns
        table={table}
        doc={doc}
        onSay={(column, c) => setSaid({ ...said, columns: { ...said.columns, [column]: c } })}
      />
    </Section>
  );
}

/** What has to be said before anything can be read, each with its answers. */
function Doubts({
  table,
  doc,
  said,
  onSay,
}: {
  table: TableHere;
  doc: Document;
  said: Told;
  onSay: (said: Told) => void;
}) {
  const { mapping, doubts } = table;
  const about = (word: string) => doubts.some((d) => d.message.includes(`"${word}"`)) || word in said;
  const waters = Object.values(doc.waters);
  return (
    <>
      {doubts.map((d) => (
        <Txt key={d.message} tone="nitrite">
          {asked(d.message)}
        </Txt>
      ))}
      {about('dateOrder') ? (
        <Choice
          label="Dates begin with"
          options={[
            { value: 'dmy', label: 'the day' },
            { value: 'mdy', label: 'the month' },
          ]}
          value={said.dateOrder ?? ''}
          onChange={(v) => onSay({ ...said, dateOrder: v as 'dmy' | 'mdy' })}
        />
      ) : null}
      {about('decimal') ? (
        <Choice
          label="Fractions are written with"
          options={[
            { value: '.', label: 'a point' },
            { value: ',', label: 'a comma' },
          ]}
          value={said.decimal ?? ''}
          onChange={(v) => onSay({ ...said, decimal: v as '.' | ',' })}
        />
      ) : null}
      {mapping.columns.some((c) => c.as === 'water' || c.as === 'waterId') || waters.length < 2 ? null : (
        <Pick
          label="All of it was measured in"
          value={said.waterId ?? mapping.waterId ?? ''}
          options={[
            { value: '', label: 'choose a water' },
            ...waters.map((w) => ({ value: w.id, label: w.name })),
          ]}
          onChange={(v) => onSay({ ...said, waterId: v === '' ? null : v })}
        />
      )}
    </>
  );
}

/** A doubt as a person is asked: below, not in a mapping. */
const asked = (message: string): string =>
  `${message.replace(/: the mapping must say.*$/, '').replace(/, one of [\w, -]+$/, '')}: say it below.`;

/** Where readings come as often as only a device reads: what they are kept as. */
function WhoseReadings({
  table: { read },
  said,
  onSay,
}: {
  table: TableHere;
  said: Told;
  onSay: (said: Told) => void;
}) {
  if (!read?.often) return null;
  const isDevice = read.device !== null;
  return (
    <>
      <Choice
        label="So many a day come from a device. They are kept as"
        options={[
          { value: 'device', label: 'a device’s, by the hour' },
          { value: 'hand', label: 'tests by hand' },
        ]}
        value={isDevice ? 'device' : 'hand'}
        onChange={(v) => onSay({ ...said, fromDevice: v === 'device' })}
      />
      <Txt kind="small" tone="second">
        {isDevice
          ? 'Of each hour its count, mean, lowest and highest are kept, not the single readings: keep the file if you want those. ' +
            'They are drawn beside your tests, on the same charts, and open and close no gate.'
          : 'Each is judged as if you had tested it yourself, by the kit last used for it. Thousands make the log slow.'}
      </Txt>
    </>
  );
}

/** What would come of it, what was taken for granted, what is rare, what is wrong. */
function WhatComes({ table }: { table: TableHere }) {
  const { read } = table;
  const lines = (list: readonly { line: number; message: string }[]) =>
    list.slice(0, MOST_LINES).map((f) => `line ${f.line}: ${f.message}`);
  return (
    <>
      {read && read.duplicates > 0 ? (
        <Txt>{`${read.duplicates} stand in the log already and are left out.`}</Txt>
      ) : null}
      {read?.device && read.device.otherHours > 0 ? (
        <Txt tone="nitrite">{otherHoursWords(read.device.otherHours)}</Txt>
      ) : null}
      {(read?.kits ?? []).map((k) => (
        <Txt key={k.id}>{`A kit comes with it: ${k.name}.`}</Txt>
      ))}
      {[...table.assumed, ...(read?.assumed ?? [])].map((a) => (
        <Txt key={a} kind="small" tone="second">
          {a}
        </Txt>
      ))}
      {read && read.faults.length > 0 ? (
        <>
          <Txt kind="strong" tone="ammonia">
            {`${read.faults.length} ${read.faults.length === 1 ? 'fault' : 'faults'}: nothing is taken until the table is mended.`}
          </Txt>
          {lines(read.faults).map((l) => (
            <Txt key={l} kind="small" tone="ammonia">
              {l}
            </Txt>
          ))}
          {read.faults.length > MOST_LINES ? (
            <Txt kind="small">{`and ${read.faults.length - MOST_LINES} more`}</Txt>
          ) : null}
        </>
      ) : null}
      {read && read.questioned.length > 0 ? (
        <>
          <Txt kind="strong" tone="nitrite">
            Rare, and taken as it stands
          </Txt>
          {lines(read.questioned).map((l) => (
            <Txt key={l} kind="small" tone="nitrite">
              {l}
            </Txt>
          ))}
        </>
      ) : null}
    </>
  );
}

function Import({
  table,
  doc,
  onDone,
}: {
  table: TableHere;
  doc: Document;
  onDone: (imported: boolean) => void;
}) {
  const dispatch = useAppDispatch();
  const saving = useSaving();
  const { read, mapping } = table;
  const can = read !== null && read.faults.length === 0 && newIn(read) > 0;
  return (
    <Row wrap>
      {can ? (
        <SaveButton
          saving={saving}
          kind="primary"
          label="Take them into the log"
          onPress={() =>
            void saving.run(
              () => dispatch(commit('Table imported', editsToImport(doc, table, read, mapping, newId))),
              () => onDone(true),
            )
          }
        />
      ) : null}
      <Button kind="quiet" label="Leave everything as it is" onPress={() => onDone(false)} />
    </Row>
  );
}

/** Every column: its name, what stands in it, and what it is taken for. */
function Columns({
  table,
  doc,
  onSay,
}: {
  table: TableHere;
  doc: Document;
  onSay: (column: string, c: Column) => void;
}) {
  const { roles } = useTheme();
  const options = columnOptions(doc);
  return (
    <>
      <Txt kind="section" heading={3}>
        Its columns
      </Txt>
      <View style={styles.columns}>
        {table.header.map((name, i) => {
          const c = table.mapping.columns[i] as Column;
          const units = unitChoices(c);
          return (
            <View key={`${i} ${name}`} style={[styles.column, { borderColor: roles.hairline }]}>
              <Txt kind="small" tone="second">
                {table.shown
                  .map((r) => r[i] ?? '')
                  .filter(Boolean)
                  .join(' · ')
                  .slice(0, 40) || 'empty'}
              </Txt>
              <Pick
                label={`${name || `Column ${i + 1}`} is`}
                value={optionOf(c)}
                options={
                  options.some((o) => o.value === optionOf(c))
                    ? options
                    : [{ value: optionOf(c), label: c.as }, ...options]
                }
                onChange={(v) => onSay(name, columnOf(v))}
              />
              {units.length > 0 ? (
                <Pick
                  label={`Unit of ${name}`}
                  value={c.unit ?? ''}
                  options={[
                    ...(c.unit !== undefined && units.includes(c.unit)
                      ? []
                      : [{ value: c.unit ?? '', label: c.unit ?? 'say it' }]),
                    ...units.map((u) => ({ value: u, label: u })),
                  ]}
                  onChange={(unit) => onSay(name, { ...c, unit })}
                />
              ) : null}
              {hasBasis(c) ? (
                <Pick
                  label={`${name} is counted as`}
                  value={c.basis ?? ''}
                  options={[
                    { value: '', label: 'as the kit prints it' },
                    { value: 'ion', label: 'the ion: NH₄, NO₂, NO₃' },
                    { value: 'N', label: 'nitrogen (N)' },
                    ...(c.parameter === 'ammonia' ? [{ value: 'NH3', label: 'NH₃' }] : []),
                  ]}
                  onChange={(basis) => {
                    const { basis: _, ...rest } = c;
                    onSay(name, basis === '' ? rest : { ...rest, basis: basis as 'N' | 'ion' | 'NH3' });
                  }}
                />
              ) : null}
            </View>
          );
        })}
      </View>
    </>
  );
}

const styles = styleSheet({
  columns: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space(6) },
  column: { gap: space(2), paddingVertical: space(3), borderBottomWidth: 1, flexGrow: 1, flexBasis: 280 },
});
