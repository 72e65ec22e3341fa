import { createContext, use, useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import { decimalsOf, fixed } from './format';

export type System = 'metric' | 'us';

interface Shown {
  unit: string;
  to: (value: number) => number;
  from: (value: number) => number;
  decimals: (value: number) => number;
}

const times = (unit: string, factor: number, decimals: Shown['decimals']): Shown => ({
  unit,
  to: (v) => v / factor,
  from: (v) => v * factor,
  decimals,
});
const finer = (v: number) => (Math.abs(v) < 10 ? 2 : 1);

/** Less than this is measured in millilitres on any bench: a fluid ounce is too coarse for it. */
const leastFluidOunce = 1;

/** US units by the metric unit they stand for. Everything else is shown as it is: scales at the bench show grams. */
const us: Record<string, Shown> = {
  mm: times('in', 25.4, (v) => (Math.abs(v) < 1 ? 3 : finer(v))),
  ml: times('fl oz', 29.5735295625, finer),
  'cm²': times('in²', 6.4516, (v) => (Math.abs(v) < 10 ? 2 : Math.abs(v) < 100 ? 1 : 0)),
  kg: times('lb', 0.45359237, finer),
  '°C': {
    unit: '°F',
    to: (v) => v * 1.8 + 32,
    from: (v) => (v - 32) / 1.8,
    decimals: (v) => (Number.isInteger(v) ? 0 : 1),
  },
};

/** What was typed in other units is not shown to a hair that no tool resolves. */
const fieldDecimals: Partial<Record<string, number>> = { mm: 2, ml: 1, g: 2, '°C': 1 };

/** What a quantity of a unit is a quantity of, for reading it as typed. */
export const kinds = { mm: 'length', ml: 'volume', g: 'mass', '°C': 'temperature' } as const;

const bars = {
  metric: [1000, 500, 200, 100, 50, 20, 10, 5].map((mm) => ({ mm, text: `${mm} mm` })),
  us: [36, 24, 12, 6, 4, 2, 1, 0.5].map((inches) => ({ mm: inches * 25.4, text: `${inches} in` })),
};

function unitsOf(system: System) {
  /** How a value of a unit is shown; null where the value does not matter. */
  const known = (unit: string, value: number | null = null) =>
    system !== 'us' || (unit === 'ml' && value !== null && Math.abs(us['ml']!.to(value)) < leastFluidOunce)
      ? undefined
      : us[unit];
  const part = (value: number, unit: string, decimals?: number) => {
    const shown = known(unit, value);
    if (!shown) return { text: fixed(value, decimals ?? decimalsOf(value, unit)), unit };
    const converted = shown.to(value);
    return { text: fixed(converted, shown.decimals(converted)), unit: shown.unit };
  };
  return {
    system,
    scaleBars: bars[system],
    /** A value of a unit as text and the unit it is shown in. */
    part,
    /** The same as one text. */
    show: (value: number, unit: string, decimals?: number) => {
      const p = part(value, unit, decimals);
      return p.unit === '' || p.unit === '°' ? `${p.text}${p.unit}` : `${p.text} ${p.unit}`;
    },
    unit: (unit: string, value: number | null = null) => known(unit, value)?.unit ?? unit,
    /** The text of a field that holds a value. */
    field: (value: number, unit: string) => {
      const shown = known(unit, value);
      return String(Number(shown ? shown.to(value).toFixed(3) : value.toFixed(fieldDecimals[unit] ?? 3)));
    },
    /** The value of a number typed in the shown unit; rounded so that conversion leaves no dust. */
    typed: (number: number, unit: string, was: number | null = null) => {
      const shown = known(unit, was);
      return shown ? Number(shown.from(number).toFixed(3)) : number;
    },
  };
}

export type Units = ReturnType<typeof unitsOf>;

const Context = createContext<Units & { choose: (system: System) => void }>({
  ...unitsOf('metric'),
  choose: () => undefined,
});

const key = 'units';

/** The person's units, kept in this browser. */
export function UnitsProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = useState<System>(() => (localStorage.getItem(key) === 'us' ? 'us' : 'metric'));
  const value = useMemo(
    () => ({
      ...unitsOf(system),
      choose: (to: System) => {
        localStorage.setItem(key, to);
        setSystem(to);
      },
    }),
    [system],
  );
  return <Context value={value}>{children}</Context>;
}

export const useUnits = () => use(Context);
