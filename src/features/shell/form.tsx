/** The one way of doing forms: texts as typed, one reading function with a fault for each field, one act when all is read. */
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import {
  Controller,
  useForm,
  type Control,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
} from 'react-hook-form';
import { z } from 'zod';
import type { Outcome, Seen } from '../../store';
import { Check, Choice, TextField } from '../../ui';
import { WhenField } from '../../ui/WhenField';
import { useSaving, type Saving } from './saving';

/** What a feature's reading function answers: what was read, or a sentence for each field that cannot be. */
type Reading = { ok: true } | { ok: false; faults: object };
type Faults = Partial<Record<string, string>>;
type Good<R extends Reading> = Extract<R, { ok: true }>;

/** One zod schema over a reading function, for the resolver of the form library. */
const schemaOf = <Texts extends object, R extends Reading>(read: (texts: Texts) => R) =>
  z.custom<Texts>().transform((texts, context): Good<R> => {
    const result = read(texts);
    if (result.ok) return result as Good<R>;
    for (const [field, message] of Object.entries(result.faults as Faults)) {
      if (message !== undefined) context.addIssue({ code: 'custom', path: [field], message });
    }
    return z.NEVER;
  });

/** @param seen what the edits are made from, for `commit` */
type Save<R extends Reading> = (read: Good<R>, seen: readonly Seen[]) => Promise<Outcome>;

interface FormRule<Texts extends FieldValues, R extends Reading> {
  start: Texts | (() => Texts);
  /** Pure and tested by itself; asked at every keystroke. */
  read: (texts: Texts) => R;
  /** Called only with what could be read. What it hands back is waited for: until it is stored the form stays as it is. */
  save: Save<R>;
  /** Once it is stored: closes the sheet, or begins anew for the next one. */
  done?: (() => void) | 'restart';
  /** The entry being corrected, as the form was opened with it. */
  base?: Seen | undefined;
  /** When a fault appears at its field: after saving was tried (usual), when the field is left, or as soon as something is typed. */
  faultsFrom?: 'save' | 'leave' | 'typing';
}

/** A form in use, for its fields and for what is drawn beside them. */
export interface EntryForm<Texts extends FieldValues, R extends Reading = Reading> {
  control: Control<Texts, unknown, Good<R>>;
  texts: Texts;
  /** What the texts say now. */
  now: R;
  /** Saving was tried since the form began. */
  tried: boolean;
  /** The fault to be shown at a field now. */
  fault: (field: string) => string | undefined;
  change: (patch: Partial<Texts>) => void;
  save: () => void;
  /** Saves in another way than the usual one. */
  saveWith: (save: Save<R>) => void;
  /** How the storing stands, for `SaveButton`. */
  saving: Saving;
}

/** @returns the form; its texts start once and are the person's from then on */
export function useEntryForm<Texts extends FieldValues, R extends Reading>({
  start,
  read,
  save,
  done = () => undefined,
  base,
  faultsFrom = 'save',
}: FormRule<Texts, R>): EntryForm<Texts, R> {
  const [first] = useState(start);
  const { control, handleSubmit, setValue, reset, watch, formState } = useForm<Texts, unknown, Good<R>>({
    defaultValues: first as DefaultValues<Texts>,
    resolver: zodResolver(schemaOf(read)),
  });
  const saving = useSaving(base);
  const shown = useRef(true);
  useEffect(() => {
    shown.current = true;
    return () => void (shown.current = false);
  }, []);
  const end = () => {
    // Whoever went elsewhere while it was being stored is not called away from there.
    if (!shown.current) return;
    if (done === 'restart') reset(first);
    else done();
  };
  const submit = (how: Save<R>) => void handleSubmit((good) => saving.run((seen) => how(good, seen), end))();
  const { isSubmitted, touchedFields } = formState;
  const texts = watch();
  const now = read(texts);
  const shows = (field: string): boolean =>
    isSubmitted ||
    (faultsFrom === 'leave' && (touchedFields as Record<string, unknown>)[field] === true) ||
    (faultsFrom === 'typing' && texts[field] !== undefined && texts[field] !== '');
  return {
    control,
    texts,
    now,
    tried: isSubmitted,
    fault: (field) => (!now.ok && shows(field) ? (now.faults as Faults)[field] : undefined),
    change: (patch) => {
      for (const [field, value] of Object.entries(patch))
        setValue(field as Path<Texts>, value as PathValue<Texts, Path<Texts>>);
    },
    save: () => submit(save),
    saveWith: (other) => submit(other),
    saving,
  };
}

/** Names of the fields that hold a value of one type. */
type FieldsOf<Texts, Value> = {
  [K in keyof Texts]: Texts[K] extends Value ? K : never;
}[keyof Texts] &
  string;
interface Bound<Texts extends FieldValues, Name> {
  form: Pick<EntryForm<Texts, never>, 'texts' | 'fault'> & { control: unknown };
  name: Name;
}
type Rest<Field extends (props: never) => ReactNode> = Omit<
  Parameters<Field>[0],
  'value' | 'checked' | 'onChange' | 'onBlur' | 'error'
>;

const controlOf = (form: { control: unknown }) => form.control as Control<FieldValues>;

/** A text or a number of the form, with its fault. */
export function TextEntry<Texts extends FieldValues>({
  form,
  name,
  ...field
}: Bound<Texts, FieldsOf<Texts, string>> & Rest<typeof TextField>) {
  return (
    <Controller
      control={controlOf(form)}
      name={name}
      render={({ field: { value, onChange, onBlur } }) => (
        <TextField {...field} value={value} onChange={onChange} onBlur={onBlur} error={form.fault(name)} />
      )}
    />
  );
}

/** A day or a moment of the form, with its fault. */
export function WhenEntry<Texts extends FieldValues>({
  form,
  name,
  ...field
}: Bound<Texts, FieldsOf<Texts, string>> & Rest<typeof WhenField>) {
  return (
    <Controller
      control={controlOf(form)}
      name={name}
      render={({ field: { value, onChange } }) => (
        <WhenField {...field} value={value} onChange={onChange} error={form.fault(name)} />
      )}
    />
  );
}

/** One of a few. */
export function ChoiceEntry<Texts extends FieldValues, Name extends FieldsOf<Texts, string>>({
  form,
  name,
  ...field
}: Bound<Texts, Name> & {
  label: string;
  options: readonly { value: Texts[Name]; label: string; note?: string }[];
  stacked?: boolean;
}) {
  return (
    <Controller
      control={controlOf(form)}
      name={name}
      render={({ field: { value, onChange } }) => <Choice {...field} value={value} onChange={onChange} />}
    />
  );
}

/** On or off. */
export function CheckEntry<Texts extends FieldValues>({
  form,
  name,
  ...field
}: Bound<Texts, FieldsOf<Texts, boolean>> & Rest<typeof Check>) {
  return (
    <Controller
      control={controlOf(form)}
      name={name}
      render={({ field: { value, onChange } }) => <Check {...field} checked={value} onChange={onChange} />}
    />
  );
}

/** Several of a list, kept as a list of what is chosen. */
export const toggled = <T,>(list: readonly T[], item: T, on: boolean): T[] =>
  on ? [...list, item] : list.filter((x) => x !== item);
