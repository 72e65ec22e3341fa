import type { Reckoned } from '../../api/client';
import type { Wall } from '../../editor/filled';
import { wallsOf } from '../../editor/filled';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { setField, useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { useStation } from '../station';
import { unsaidBarriers } from './barriers';

const words = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];

/** What all have in common; undefined where they differ. */
function common<T>(all: readonly T[]): T | undefined {
  return all.every((v) => v === all[0]) ? all[0] : undefined;
}

const classOf = (wall: Wall) => (wall.material.kind === 'barrier' ? (wall.material.class ?? '') : '');

/** All walls of the layer in one sentence: what is set in it is set for each of them. */
export function WallsSentence() {
  const { layer, layerPlan } = useStation();
  const { edit } = useEdits();
  const units = useUnits();
  const walls = wallsOf(layer);
  if (walls.length === 0) return null;
  const all = (field: string, value: string | number | null) =>
    edit(...walls.map((w) => setField(`lines[${w.id}].${field}`, value)));
  const of = common(walls.map(classOf));
  const plans = walls.flatMap((w) => layerPlan.lines.find((l) => l.lineId === w.id) ?? []);
  const sum = (pick: (plan: (typeof plans)[number]) => Reckoned | null) => {
    const each = plans.map(pick);
    return each.every((n) => n !== null) ? each.reduce((s, n) => s + n.value, 0) : null;
  };
  const [ml, grams, tubes] = [sum((p) => p.ml), sum((p) => p.grams), sum((p) => p.tubes)];
  const dry = Math.max(...plans.map((p) => p.dry?.value ?? 0));
  const number = (key: 'heightMm' | 'widthMm', label: string) => (
    <NumberField
      label={label}
      quiet
      unit="mm"
      value={common(walls.map((w) => w.section[key] ?? null)) ?? null}
      empty="?"
      takes={{ field: `lines.section.${key}` }}
      onChange={(to) => all(`section.${key}`, to)}
    />
  );
  return (
    <div className="sentence">
      <p>
        {words[walls.length] ?? walls.length} {walls.length === 1 ? 'wall of ' : 'walls of '}
        <Choice
          label="All walls are of"
          quiet
          value={of ?? 'mixed'}
          choices={
            of === undefined ? [['mixed', 'several kinds'] as const, ...unsaidBarriers] : unsaidBarriers
          }
          onChange={(to) => (to === 'mixed' ? undefined : all('material.class', to === '' ? null : to))}
        />
        {', '}
        {number('heightMm', 'All walls, high')} high and {number('widthMm', 'All walls, wide')} wide:{' '}
        {units.show(plans.reduce((s, p) => s + p.length.value, 0) / 1000, 'm', 2)} in all
        {ml !== null && `, ${units.show(grams ?? ml, grams === null ? 'ml' : 'g', grams === null ? 1 : 0)}`}
        {tubes !== null && `, ${tubesText(tubes)}`}
        {dry > 0 && `; ready ${units.show(dry, 'h', dry < 1 ? 2 : 1)} after the last is laid`}.
      </p>
    </div>
  );
}

/** Tubes are opened whole. */
export const tubesText = (tubes: number) =>
  Math.ceil(tubes - 1e-9) === 1 ? 'a tube' : `${Math.ceil(tubes - 1e-9)} tubes`;
