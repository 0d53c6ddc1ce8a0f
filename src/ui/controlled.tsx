'use client';

import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { Choice, type ChoiceOption } from './choice';
import { Pick, type PickOption } from './pick';

interface Controlled<Values extends FieldValues, Context, Output> {
  control: Control<Values, Context, Output>;
  name: FieldPath<Values>;
  label: string;
  /** Told of a choice after the form has it. */
  onChosen?: (value: string) => void;
}

/** A {@link Choice} that a form holds. */
export function ChoiceField<Values extends FieldValues, Context, Output>({
  control,
  name,
  label,
  options,
  onChosen,
}: Controlled<Values, Context, Output> & { options: readonly ChoiceOption<string>[] }) {
  const { field } = useController({ control, name });
  return (
    <Choice
      label={label}
      value={field.value}
      onChange={(value) => {
        field.onChange(value);
        onChosen?.(value);
      }}
      options={options}
    />
  );
}

/** A {@link Pick} that a form holds, with its error below it. */
export function PickField<Values extends FieldValues, Context, Output>({
  control,
  name,
  label,
  placeholder,
  options,
  onChosen,
}: Controlled<Values, Context, Output> & { placeholder: string; options: PickOption[] }) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Pick
      label={label}
      placeholder={placeholder}
      options={options}
      value={String(field.value ?? '')}
      onChange={(value) => {
        field.onChange(value);
        onChosen?.(value);
      }}
      error={fieldState.error?.message}
    />
  );
}
