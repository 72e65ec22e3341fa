import { usePots } from '../../cupboard/pots';
import { Choice, ColourField, NumberField, Whether } from '../../parts/Fields';
import { useFields } from '../../parts/fields';
import type { Ground } from '../../api/client';
import type { PartProps } from './parts';

/** How the ground is painted, and from what. */
export function Paint({ ground, say, set }: PartProps) {
  const paint = ground.paint ?? null;
  const { usual } = useFields();
  const pots = usePots();
  const setPaint = (change: Partial<NonNullable<Ground['paint']>>) =>
    paint && set({ paint: { ...paint, ...change } });
  return (
    <p>
      on ground{' '}
      <Choice
        label="Paint"
        quiet
        value={paint?.kind ?? 'none'}
        choices={[
          ['none', 'left unpainted'],
          ['water', 'painted, water-based'],
          ['oil', 'painted in oil'],
        ]}
        onChange={(kind) =>
          set({
            paint:
              kind === 'none'
                ? null
                : {
                    kind,
                    coats: paint?.coats ?? 1,
                    dryHours: null,
                    sealed: paint?.sealed ?? false,
                    asMap: paint?.asMap ?? false,
                  },
          })
        }
      />
      {paint && (
        <>
          {' in '}
          <NumberField
            label="Coats"
            quiet
            unit={paint.coats === 1 ? 'coat' : 'coats'}
            width={30}
            value={paint.coats}
            takes="ground.paint.coats"
            error={say('ground.paint.coats')}
            onChange={(v) => setPaint({ coats: Math.round(v ?? 1) })}
          />
          {' that dry in '}
          <NumberField
            label="Drying time of the paint"
            quiet
            unit="h"
            optional
            width={40}
            placeholder={String(usual[`ground.paint.dryHours.${paint.kind}`] ?? '')}
            value={paint.dryHours ?? null}
            takes="ground.paint.dryHours"
            error={say('ground.paint.dryHours')}
            onChange={(dryHours) => setPaint({ dryHours })}
          />
          {paint.kind === 'oil' && (
            <>
              {', '}
              <Whether
                label="Seal over the paint"
                value={paint.sealed}
                no="not sealed"
                yes="sealed"
                onChange={(sealed) => setPaint({ sealed })}
              />
            </>
          )}
        </>
      )}
      {paint && (
        <>
          {', '}
          <Whether
            label="Colours of the paint"
            value={paint.asMap}
            no="all in one colour"
            yes="as the map, each band in its own"
            onChange={(asMap) => setPaint({ asMap })}
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
            onChange={(id) => {
              const from = pots.find((p) => p.id === id)?.pot;
              set({
                colour: from?.colour ?? ground.colour,
                paint: { ...paint, kind: from?.kind ?? paint.kind, potId: from ? id : null },
              });
            }}
          />
        </>
      )}
      , of this colour{paint?.asMap && ' under clear'}{' '}
      <ColourField label="Ground colour" value={ground.colour} onChange={(colour) => set({ colour })} />
    </p>
  );
}
