import { useState, type ReactNode } from 'react';
import type { Species, WithKinds } from '../../../core/species';
import { Button, TextField, Txt } from '../../ui';
import { findKinds, noneWords } from './kinds';
import { useUnits } from './water';

const NONE = { found: [], near: false, tooSmall: null, notSo: 0 };

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
  const finds = asked ? findKinds(kinds, query) : NONE;
  const found = finds.found.filter((f) => leave(f.species));
  const shown = found.slice(0, SHOWN);
  const none = noneWords(finds, useUnits());
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
          {none.title}. {none.text}
        </Txt>
      ) : null}
      {finds.near && shown.length > 0 ? (
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
      {found.length > SHOWN ? (
        <Txt kind="small" tone="second">
          And {found.length - SHOWN} more: write more of the name.
        </Txt>
      ) : null}
      {notHere?.(query)}
    </>
  );
}
