import type { Line } from '../../editor/filled';
import { Choice } from '../../parts/Choice';
import { HowNumber } from '../../parts/HowNumber';
import { NumberField } from '../../parts/NumberField';
import { setField, useEdits } from '../../parts/editing';
import { useStation } from '../station';
import { unsaidBarriers } from './barriers';

const words = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];

/** What all have in common; undefined where they differ. */
function common<T>(all: readonly T[]): T | undefined {
  return all.every((v) => v === all[0]) ? all[0] : undefined;
}

const classOf = (wall: Line) => (wall.material.kind === 'barrier' ? (wall.material.class ?? '') : '');

/** All walls of the layer in one sentence: what is set in it is set for each of them. */
export function WallsSentence() {
  const { layer, layerPlan, zone } = useStation();
  const { edit } = useEdits();
  const walls = layer.lines.filter((l) => l.material.kind === 'barrier');
  if (walls.length === 0) return null;
  const all = (field: string, value: string | number | null) =>
    edit(...walls.map((w) => setField(`lines[${w.id}].${field}`, value)));
  const of = common(walls.map(classOf));
  const together = layerPlan.wallsTogether.find((w) => (w.zoneId ?? null) === zone);
  const takes = together && (together.grams ?? together.ml);
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
        {together && <HowNumber of={together.length} label="All walls, long" decimals={0} />} in all
        {takes && (
          <>
            {', '}
            <HowNumber of={takes} label="All walls, take" decimals={takes.unit === 'g' ? 0 : 1} />
          </>
        )}
        {together?.tubes && (
          <>
            {', '}
            <HowNumber of={together.tubes} label="All walls, tubes" decimals={2} />
          </>
        )}
        {together?.dry && (
          <>
            {'; ready '}
            <HowNumber of={together.dry} label="All walls, dry" decimals={2} />
            {' after the last is laid'}
          </>
        )}
        .
      </p>
    </div>
  );
}
