import { useState, type ReactNode } from 'react';
import type { Species, WithKinds } from '../../../core/species';
import { Button, TextField, Txt } from '../../ui';
import { findKinds } from './kinds';

const NONE = { found: [], near: false } as const;

/** As many as can be read at a glance. */
const SHOWN = 6;

/** One kind of the list, looked for by any of its names. */
export function KindSearch({
  kinds,
  label,
  hint,
  leave = () => true,
  onChoose,
  notHere,
}: {
  kinds: WithKinds;
  label: string;
  hint?: string;
  /** Which of those found may be chosen. */
  leave?: (species: Species) => boolean;
  onChoose: (species: Species) => void;
  /** Below what was found: what to do where it is not among them. */
  notHere?: (query: string) => ReactNode;
}) {
  const [query, setQuery] = useState('');
  const asked = query.trim().length > 1;
  const { found, near } = asked ? findKinds(kinds, query) : NONE;
  const shown = found.filter((f) => leave(f.species)).slice(0, SHOWN);
  return (
    <>
      <TextField
        label={label}
        value={query}
        onChange={setQuery}
        placeholder="Any name in use"
        {...(hint === undefined ? {} : { hint })}
      />
      {asked && shown.length === 0 ? (
        <Txt kind="small" tone="second" live>
          None by that name. Try another name, or part of the scientific one.
        </Txt>
      ) : null}
      {near && shown.length > 0 ? (
        <Txt kind="small" tone="second" live>
          None by that name. The nearest:
        </Txt>
      ) : null}
      {shown.map(({ species, as }) => (
        <Button
          key={species.id}
          label={as === null ? species.common : `${species.common} (${as})`}
          onPress={() => {
            setQuery('');
            onChoose(species);
          }}
        />
      ))}
      {notHere?.(query)}
    </>
  );
}
