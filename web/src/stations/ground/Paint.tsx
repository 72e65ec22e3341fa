import { usePots } from '../../parts/pots';
import { ColourAt, NumberAt, WhetherAt } from '../../parts/At';
import { Choice } from '../../parts/Choice';
import { useEdits } from '../../parts/editing';
import { useFields } from '../../parts/fields';
import type { Ground } from '../../api/client';

/** How the ground is painted, and from what. */
export function Paint({ ground }: { ground: Ground }) {
  const paint = ground.paint ?? null;
  const { usual } = useFields();
  const pots = usePots();
  const { edit } = useEdits();
  return (
    <>
      {' '}
      <Choice
        label="Paint"
        quiet
        value={paint?.kind ?? 'none'}
        choices={[
          ['none', 'unpainted'],
          ['water', 'painted, water-based'],
          ['oil', 'painted in oil'],
        ]}
        onChange={(kind) => edit({ do: 'paint-ground', kind: kind === 'none' ? null : kind })}
      />
      {paint && (
        <>
          {' in '}
          <NumberAt
            place="ground.paint.coats"
            label="Coats"
            quiet
            unit={paint.coats === 1 ? 'coat' : 'coats'}
            value={paint.coats}
          />
          {' that dry in '}
          <NumberAt
            place="ground.paint.dryHours"
            label="Drying time of the paint"
            quiet
            unit="h"
            empty={usual[`ground.paint.dryHours.${paint.kind}`] ?? ''}
            value={paint.dryHours ?? null}
          />
          {paint.kind === 'oil' && (
            <>
              {', '}
              <WhetherAt
                place="ground.paint.sealed"
                label="Seal over the paint"
                value={paint.sealed}
                no="not sealed"
                yes="sealed"
              />
            </>
          )}
        </>
      )}
      {paint && (
        <>
          {', '}
          <WhetherAt
            place="ground.paint.asMap"
            label="Colours of the paint"
            value={paint.asMap}
            no="all in one colour"
            yes="as the map of the lowest layer, each region in its own"
          />
        </>
      )}
      {paint && !paint.asMap && pots.length > 0 && (
        <>
          {', from '}
          <Choice
            label="Pot of paint"
            quiet
            value={paint.potId ?? 'none'}
            choices={[['none', 'no pot of mine'], ...pots.map((p) => [p.id, p.pot.name] as const)]}
            onChange={(pot) => edit({ do: 'paint-from-pot', pot: pot === 'none' ? null : pot })}
          />
        </>
      )}
      {paint?.asMap ? ', under clear over ' : paint ? ', ' : ' '}
      <ColourAt place="ground.colour" label="Ground colour" value={ground.colour} />.
    </>
  );
}
