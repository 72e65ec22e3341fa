import { useState } from 'react';
import { NumberField, Whether } from '../../parts/Fields';
import type { GroundChange } from './become';
import type { PartProps } from './parts';

/** Whether the piece is poured over older work, how that stands, and the new rim round it. */
export function OverOld({ ground, say, set, turn }: PartProps & { turn: (change: GroundChange) => void }) {
  const old = ground.old ?? null;
  const [rim, setRim] = useState(20);
  const change = (to: Partial<NonNullable<typeof old>>) => old && set({ old: { ...old, ...to } });
  return (
    <p>
      poured over{' '}
      <Whether
        label="What lies beneath"
        value={!!old}
        no="a new ground"
        yes="older work"
        onChange={(overOld) => turn({ overOld })}
      />
      {old && (
        <>
          {old.name !== 'older work' && (
            <>
              , <b>{old.name}</b>
            </>
          )}
          {', whose lines and stones stand up '}
          <NumberField
            label="Relief of the older work"
            quiet
            unit="mm"
            width={40}
            value={old.reliefMm}
            takes="ground.old.reliefMm"
            error={say('ground.old.reliefMm')}
            onChange={(v) => change({ reliefMm: v ?? 0 })}
          />
          {old.reliefMm === 0 && ' (sanded flat)'}
          {!ground.set && (
            <>
              {'; a rim of '}
              <NumberField
                label="Width of a new rim"
                quiet
                unit="mm"
                width={40}
                value={rim}
                onChange={(v) => setRim(v ?? rim)}
              />{' '}
              <button type="button" className="btn btn-outline-primary" onClick={() => turn({ growMm: rim })}>
                grow it all round
              </button>
              {', the old face standing '}
              <NumberField
                label="Height of the older work"
                quiet
                unit="mm"
                width={40}
                value={old.standsMm}
                takes="ground.old.standsMm"
                error={say('ground.old.standsMm')}
                onChange={(v) => change({ standsMm: v ?? 0 })}
              />
              {' above what lies round it'}
            </>
          )}
        </>
      )}
      {say('ground.old') && <span className="field-error">{say('ground.old')}</span>},
    </p>
  );
}
