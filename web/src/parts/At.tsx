import type { ComponentProps } from 'react';
import { Choice, Whether } from './Choice';
import { ColourField } from './ColourField';
import { NumberField } from './NumberField';
import { TextField } from './TextField';
import { TimeField } from './TimeField';
import { rangeOf, useEdits } from './editing';
import { fieldText, wireText } from '../units/format';

/*
 * Fields of the piece by their place: each says what the workshop refused of it, and what is entered is set there.
 */

interface Placed {
  place: string;
}

type Without<C extends React.ElementType, K extends string> = Omit<
  ComponentProps<C>,
  K | 'onChange' | 'error' | 'takes'
>;

/** A number; `per` of what is shown are one of the document's. */
export function NumberAt({
  place,
  value,
  per = 1,
  also,
  ...rest
}: Placed &
  Without<typeof NumberField, 'value'> & {
    value: number | null;
    per?: number;
    /** Another place whose refusal is said here. */
    also?: string;
  }) {
  const { set, say } = useEdits();
  return (
    <NumberField
      {...rest}
      value={value === null ? null : per === 1 ? value : Math.round(value * per)}
      takes={{ field: rangeOf(place), per }}
      error={say(place) ?? (also === undefined ? undefined : say(also))}
      onChange={(v) => {
        if (v !== null || rest.empty !== undefined) void set(place, v === null ? null : v / per);
      }}
    />
  );
}

export function TextAt({ place, ...rest }: Placed & Without<typeof TextField, never>) {
  const { set, say } = useEdits();
  return <TextField {...rest} error={say(place)} onChange={(text) => void set(place, text)} />;
}

export function ChoiceAt<T extends string>({
  place,
  ...rest
}: Placed & Omit<ComponentProps<typeof Choice<T>>, 'onChange'>) {
  const { set } = useEdits();
  return <Choice {...rest} onChange={(to) => set(place, to)} />;
}

export function WhetherAt({ place, ...rest }: Placed & Without<typeof Whether, never>) {
  const { set } = useEdits();
  return <Whether {...rest} onChange={(to) => set(place, to)} />;
}

export function ColourAt({ place, ...rest }: Placed & Without<typeof ColourField, never>) {
  const { set } = useEdits();
  return <ColourField {...rest} onChange={(colour) => void set(place, colour)} />;
}

/** A moment of the workshop; empty for not decided. */
export function TimeAt({
  place,
  value,
  ...rest
}: Placed & Without<typeof TimeField, 'value'> & { value: string | null }) {
  const { set, say } = useEdits();
  return (
    <TimeField
      {...rest}
      value={fieldText(value)}
      error={say(place)}
      onChange={(text) => void set(place, wireText(text))}
    />
  );
}
