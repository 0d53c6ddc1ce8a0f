'use client';

import { useId, type ComponentProps } from 'react';
import { FALLS } from '@/core/green';
import { TextField } from '@/ui/field';

/** A way to fall, typed or chosen from those that have a name. */
export function FallsField(props: ComponentProps<typeof TextField>) {
  const list = useId();
  return (
    <>
      <TextField {...props} list={list} />
      <datalist id={list}>
        {FALLS.map(({ name }) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </>
  );
}
