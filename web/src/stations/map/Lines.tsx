import { useState } from 'react';
import { NumberAt } from '../../parts/At';
import { HowNumber } from '../../parts/HowNumber';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import type { Line } from '../../editor/filled';
import { useStation } from '../station';
import { CupChoice } from './layouts/CupChoice';

/** Lines of resin that are laid on what was poured, along the borders of what is laid out. */
export function Lines() {
  const { layer, layerPlan, here, zone } = useStation();
  const { edit } = useEdits();
  const lines = layer.lines.filter((l) => l.material.kind === 'resin');
  const names = new Map(layerPlan.regions.map((r) => [r.id, r.name]));
  const own = (id: string) => (zone === null ? id : `${zone}/${id}`);
  const prefix = zone === null ? '' : `${zone}/`;
  const inPart = (id: string) => (zone === null ? !id.includes('/') : id.startsWith(prefix));
  const kinds = new Map(layerPlan.regions.map((r) => [r.id, r.kind]));
  const borders = layerPlan.borders.filter(
    (b) =>
      inPart(b.first) && inPart(b.second) && kinds.get(b.first) !== 'wall' && kinds.get(b.second) !== 'wall',
  );
  const [chosen, setChosen] = useState('');
  if (lines.length === 0 && borders.length === 0) return null;
  // A border that is gone by now is chosen no more.
  const pair = borders.find((b) => `${b.first}|${b.second}` === chosen);
  const [first, second] = pair ? [pair.first, pair.second].map((id) => id.slice(prefix.length)) : [];
  const lengthOf = (line: Line) => layerPlan.facts.find((f) => f.id === own(`${line.id}-length`))?.number;
  const all = lines.some((l) => l.course.kind === 'borders');
  return (
    <>
      <h3>Lines</h3>
      {lines.map((line, i) => (
        <p className="line" key={line.id}>
          <CupChoice
            label={`Cup of line ${i + 1}`}
            layer={layer}
            value={line.material.kind === 'resin' ? line.material.recipeId : null}
            onChange={(recipe) =>
              edit({ do: 'pour-from', ...here, region: line.region.slice(prefix.length), recipe })
            }
          />
          <span>{runs(line, (id) => names.get(own(id)) ?? 'what is gone')}</span>
          {(['widthMm', 'heightMm'] as const).map((key) => (
            <span key={key} className="with-comma">
              <NumberAt
                place={`lines[${line.id}].section.${key}`}
                label={`Line ${i + 1}, ${key === 'widthMm' ? 'wide' : 'thick'}`}
                quiet
                unit="mm"
                value={line.section[key] ?? null}
              />{' '}
              {key === 'widthMm' ? 'wide,' : 'thick,'}
            </span>
          ))}
          {lengthOf(line) && (
            <span>
              <HowNumber of={lengthOf(line)!} label={`Length of line ${i + 1}`} /> long
            </span>
          )}
          <button
            type="button"
            className="chip"
            aria-label={`Take away: line ${i + 1}`}
            onClick={() => void edit({ do: 'take-line-away', line: line.id })}
          >
            Take away
          </button>
        </p>
      ))}
      {borders.length > 0 && (
        <div className="row-buttons">
          {!all && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => void edit({ do: 'lay-line', ...here })}
            >
              A vein along the borders
            </button>
          )}
          <Choice
            label="A line between"
            value={pair ? chosen : ''}
            choices={[
              ['', 'choose two neighbours'] as const,
              ...borders.map(
                (b) => [`${b.first}|${b.second}`, `${names.get(b.first)} | ${names.get(b.second)}`] as const,
              ),
            ]}
            onChange={setChosen}
          />
          {second && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => {
                setChosen('');
                void edit({ do: 'lay-line', ...here, first, second });
              }}
            >
              Lay it there
            </button>
          )}
        </div>
      )}
    </>
  );
}

/** Where a line runs, in words. */
const runs = ({ course }: Line, name: (id: string) => string) =>
  course.kind === 'border'
    ? `between ${name(course.first)} and ${name(course.second)},`
    : 'along all borders,';
