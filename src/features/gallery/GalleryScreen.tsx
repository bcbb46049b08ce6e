import { useState } from 'react';
import {
  Button,
  Caution,
  Check,
  Choice,
  Empty,
  Go,
  Line,
  Mark,
  Row,
  Screen,
  Section,
  Table,
  TextField,
  Txt,
} from '../../ui';
import { WhenField } from '../../ui/WhenField';

const LONG = 'A name that somebody made far too long for any phone to hold on a single line';

/** Every component of the kit in its states: for looking and for accessibility checks. */
export function GalleryScreen() {
  const [text, setText] = useState('7,5');
  const [choice, setChoice] = useState<'a' | 'b'>('a');
  const [on, setOn] = useState(true);
  const nothing = () => undefined;
  return (
    <Screen title="Interface kit" aside={<Txt>Evidence stands here on a wide screen.</Txt>}>
      <Txt kind="title" heading={1}>
        Interface kit
      </Txt>
      <Section title="Buttons">
        <Row wrap>
          <Button kind="primary" label="Primary" onPress={nothing} />
          <Button label="Outline" onPress={nothing} />
          <Button kind="quiet" label="Quiet" onPress={nothing} />
          <Button label="Disabled" disabled onPress={nothing} />
          <Button label="With icon" icon="drip" onPress={nothing} />
          <Button label={LONG} onPress={nothing} />
        </Row>
      </Section>
      <Section title="Fields">
        <TextField label="Plain" value={text} onChange={setText} unit="dKH" numeric hint="A hint" />
        <TextField
          label="With an error"
          value="seven"
          onChange={setText}
          error="“seven” is not a number. Use digits with a point or a comma."
        />
        <TextField
          label="With a question"
          value="6.2"
          onChange={setText}
          question="That is unusual. Check the probe."
        />
        <TextField big label="Big" value="35.2" onChange={setText} unit="ppt" numeric />
        <TextField multiline label="Several lines" value="" onChange={setText} placeholder="Write" />
        <WhenField kind="date" label="Day" value="2026-01-31" onChange={nothing} />
        <Choice
          label="One of"
          options={[
            { value: 'a', label: 'First' },
            { value: 'b', label: LONG },
          ]}
          value={choice}
          onChange={setChoice}
        />
        <Choice
          stacked
          label="One of, with notes"
          options={[
            { value: 'a', label: 'First', note: 'Why one would.' },
            { value: 'b', label: 'Second', note: LONG },
          ]}
          value={choice}
          onChange={setChoice}
        />
        <Check label="A thing to confirm" checked={on} onChange={setOn} note="With a note" />
      </Section>
      <Section
        title="Text"
        right={
          <Txt kind="small" tone="second">
            at the right
          </Txt>
        }
      >
        <Txt kind="number">238</Txt>
        <Txt kind="row">Row title</Txt>
        <Txt>{LONG}</Txt>
        <Txt kind="small" tone="second">
          Small, second ink
        </Txt>
        <Line name={LONG} value="0.25 mg/L" />
        <Row>
          <Mark of="ammonia" />
          <Mark of="nitrite" />
          <Mark of="nitrate" />
        </Row>
        <Go href="/gallery">A link</Go>
        <Caution>Said once, at the point of risk.</Caution>
        <Table
          caption="Example"
          columns={[{ title: 'day' }, { title: 'mg/L', numeric: true }]}
          rows={[
            ['Mon', '0'],
            ['Tue', '0.25'],
          ]}
        />
        <Empty title="Nothing here" text="Two lines that teach, and a way on." />
      </Section>
    </Screen>
  );
}
