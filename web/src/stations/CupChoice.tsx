import type { FilledLayer } from '../editor/filled';
import { colourIn } from '../editor/filled';
import { Choice } from '../parts/Choice';
import { CupColour } from './CupColour';
import { useStation } from './station';

const own = '+';

interface CupChoiceProps {
  label: string;
  layer: FilledLayer;
  value: string | null;
  /** What no cup is called; without it there has to be one. */
  none?: string;
  /** Cups that cannot be chosen. */
  without?: string;
  /** Another cup, or null for a new one. */
  onChange: (recipe: string | null) => Promise<unknown>;
  /** No cup; for what need not have one. */
  onNone?: () => Promise<unknown>;
}

/** One of the layer's cups, or a new one that comes with the change. */
export function CupChoice({ label, layer, value, none, without, onChange, onNone }: CupChoiceProps) {
  return (
    <Choice
      label={label}
      quiet
      value={value ?? ''}
      choices={[
        ...(none ? [['', none] as const] : []),
        ...layer.cups.filter((c) => c.id !== without).map((c) => [c.id, c.name] as const),
        [own, 'a new cup'],
      ]}
      onChange={(to) => (to === '' ? onNone?.() : onChange(to === own ? null : to))}
    />
  );
}

/** The colour of a cup, to be changed where it is met. */
export function Colour({ cup }: { cup: string }) {
  const { layer, layerPlan } = useStation();
  const of = layer.cups.find((c) => c.id === cup);
  return <CupColour label={`Colour of ${of?.name}`} cup={of} shown={colourIn(layerPlan, cup)} />;
}
