import { useState } from 'react';
import type { Ground } from '../../api/client';
import { NumberAt } from '../../parts/At';
import { Whether } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useEdits } from '../../parts/editing';

/** Whether the piece is poured over older work, how that stands, and the new rim round it. */
export function OverOld({ ground }: { ground: Ground }) {
  const old = ground.old ?? null;
  const [rim, setRim] = useState(20);
  const { edit, say } = useEdits();
  return (
    <>
      it is poured{' '}
      <Whether
        label="What lies beneath"
        value={!!old}
        no="on a fresh base"
        yes="over older work"
        onChange={(over) => edit({ do: 'pour-over-old', over })}
      />
      {old && (
        <>
          {old.name !== 'older work' && (
            <>
              , <b>{old.name}</b>
            </>
          )}
          {', whose lines and stones stand up '}
          <NumberAt
            place="ground.old.reliefMm"
            label="Relief of the older work"
            quiet
            unit="mm"
            value={old.reliefMm}
          />
          {old.reliefMm === 0 && ' (sanded flat)'}
          {!ground.set && (
            <>
              {'; a rim of '}
              <NumberField
                label="Width of a new rim"
                quiet
                unit="mm"
                value={rim}
                onChange={(v) => setRim(v ?? rim)}
              />{' '}
              <button
                type="button"
                className="btn btn-outline-primary"
                onClick={() => void edit({ do: 'grow-rim', mm: rim })}
              >
                grow it all round
              </button>
              {', the old face standing '}
              <NumberAt
                place="ground.old.standsMm"
                label="Height of the older work"
                quiet
                unit="mm"
                value={old.standsMm}
              />
              {' above what lies round it'}
            </>
          )}
        </>
      )}
      {say('ground.old') && <span className="field-error">{say('ground.old')}</span>}
    </>
  );
}
