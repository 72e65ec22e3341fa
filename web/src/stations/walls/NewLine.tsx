import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useStation } from '../station';
import { FromSvg } from './FromSvg';

type Course = NonNullable<Schemas['EditLayLine']['course']>;

const materials = [
  ['wall', 'wall'],
  ['resin', 'resin'],
  ['paste', 'paste'],
  ['relief', 'raised outliner'],
] as const;

/** How wide a ring is laid at first, as a share of what it lies on. */
const share = 0.4;

/** A line more: of what, and along what. One drawn by hand is drawn on the stage. */
export function NewLine() {
  const { layer, layerPlan, here, zone, select } = useStation();
  const { edit } = useEdits();
  const pools = layer.layout.kind === 'pools';
  const [of, setOf] = useState<(typeof materials)[number][0]>('resin');
  // Between pools a wall is drawn by hand.
  const byHand = of === 'wall' && pools;
  const [chosen, setChosen] = useState('');
  const prefix = zone === null ? '' : `${zone}/`;
  const inPart = (id: string) => (zone === null ? !id.includes('/') : id.startsWith(prefix));
  const regions = new Map(layerPlan.regions.map((r) => [r.id as string, r]));
  const borders = layerPlan.borders.filter(
    (b) =>
      inPart(b.first) &&
      inPart(b.second) &&
      regions.get(b.first)?.kind !== 'wall' &&
      regions.get(b.second)?.kind !== 'wall',
  );
  // A border that is gone by now is chosen no more.
  const pair = borders.find((b) => `${b.first}|${b.second}` === chosen);
  const { box } = layerPlan;
  const lay = (course: Course | null) =>
    void edit({ do: 'lay-line', ...here, of, course }).then((got) => {
      const line = got?.piece.lines?.at(-1);
      if (line) select({ kind: 'line', id: line.id });
    });
  return (
    <section aria-label="A line more" className="new-line">
      <h3>A line more</h3>
      <p className="line">
        {'of '}
        <Choice label="A line of" quiet value={of} choices={materials} onChange={setOf} />
        {byHand ? null : pair ? ' between ' : borders.length > 0 ? ' along a border: ' : null}
        {!byHand && borders.length > 0 && (
          <Choice
            label="A line between"
            quiet
            value={pair ? chosen : ''}
            choices={[
              ['', 'choose two neighbours'] as const,
              ...borders.map(
                (b) =>
                  [
                    `${b.first}|${b.second}`,
                    `${regions.get(b.first)?.name} | ${regions.get(b.second)?.name}`,
                  ] as const,
              ),
            ]}
            onChange={setChosen}
          />
        )}
      </p>
      <div className="row-buttons">
        {pair && !byHand && (
          <button
            type="button"
            className="btn btn-primary"
            onClick={() => {
              setChosen('');
              lay({
                kind: 'border',
                first: pair.first.slice(prefix.length),
                second: pair.second.slice(prefix.length),
              } as Course);
            }}
          >
            Lay it there
          </button>
        )}
        {!byHand && borders.length > 0 && (
          <button type="button" className="btn btn-outline-primary" onClick={() => lay(null)}>
            Along all borders
          </button>
        )}
        {(byHand ? [] : of === 'wall' ? [null] : [null, 3]).map((turns) => (
          <button
            key={turns}
            type="button"
            className="btn btn-outline-primary"
            onClick={() =>
              lay({
                kind: 'ring',
                xMm: Math.round(box.xMm + box.widthMm / 2),
                yMm: Math.round(box.yMm + box.heightMm / 2),
                diameterMm: Math.round(share * Math.min(box.widthMm, box.heightMm)),
                turns,
              } as Course)
            }
          >
            {turns === null ? 'A ring' : 'A spiral'}
          </button>
        ))}
        {of === 'wall' && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'put-wall-across', ...here })}
          >
            Put a wall across
          </button>
        )}
        <FromSvg of={of} />
      </div>
      <p className="hint">Or draw one on the piece: press a material below it first.</p>
    </section>
  );
}
