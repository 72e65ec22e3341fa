import { useState } from 'react';
import type { Recipe } from '../../../api/client';
import { useEdits } from '../../../parts/editing';
import { HowNumber } from '../../../parts/HowNumber';
import { NumberField } from '../../../parts/NumberField';
import { useUnits } from '../../../units/units';
import { useStation } from '../../station';

/** How much a cup's colour hides, and the load that hides as much as is wanted. */
export function Cover({ cup }: { cup: Recipe }) {
  const { layer, layerPlan } = useStation();
  const { edit, say } = useEdits();
  const units = useUnits();
  const [wanted, setWanted] = useState<number | null>(null);
  const opacity = layerPlan.colours.find((c) => c.cupId === cup.id)?.opacity;
  if (!opacity || cup.doses.every((d) => d.colourant === 'lacing')) return null;
  const depth = opacity.inputs.find((i) => i.name === 'depth')?.value ?? layer.depthMm;
  const cover = (percent: number | null) =>
    void edit({ do: 'cover-below', recipe: cup.id, layer: layer.id, coverPercent: percent, depthMm: depth });
  return (
    <div className="cover">
      <p className="line">
        <span>
          Covers <HowNumber of={opacity} label="Opacity" decimals={0} /> of what lies below at{' '}
          {units.show(depth, 'mm')}.
        </span>
        <NumberField
          label="To cover"
          unit="%"
          value={wanted}
          empty=""
          error={say(`recipes[${cup.id}]`)}
          onChange={(v) => {
            setWanted(v);
            if (v !== null) cover(v);
          }}
        />
        <button type="button" className="btn btn-outline-primary" onClick={() => cover(null)}>
          Let no light through
        </button>
      </p>
    </div>
  );
}
