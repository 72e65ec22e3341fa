import type { Ground, PlanView } from '../../api/client';
import { useRef, useState } from 'react';
import { Whether } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useEdits } from '../../parts/editing';
import { Figure } from '../../parts/Figure';
import { HowNumber } from '../../parts/HowNumber';
import { LevelLive } from './LevelLive';
import { howLevel } from './howLevel';
import './ground.scss';
import './Stand.scss';

type Level = NonNullable<Ground['level']>;

interface Props {
  ground: Ground;
  plan: PlanView['ground'];
}

const flat = { topLeftMm: 0, topRightMm: 0, bottomLeftMm: 0, bottomRightMm: 0 };
const unread: Level = {
  whereItCures: true,
  tiltXDeg: null,
  tiltYDeg: null,
  corners: null,
  stepDeg: null,
  waterChecked: false,
};

/** How the piece stands: level, shims, supports, sag. */
export function Stand({ ground, plan }: Props) {
  const { edit, say } = useEdits();
  // Each panel of a set stands by itself.
  const [panel, setPanel] = useState(1);
  const others = ground.panelLevels ?? [];
  const level = (panel === 1 ? ground.level : others.find((p) => p.panel === panel)?.level) ?? unread;
  const standing = plan.panels?.find((p) => p.panel === panel)?.standing ?? plan.standing;
  // What is read while the reading before is still on its way goes with that.
  const sent = useRef<{ panel: number; level: Level } | null>(null);
  const set = (change: Partial<Level>) => {
    const from = sent.current?.panel === panel ? sent.current.level : level;
    const own = { panel, level: { ...from, ...change } };
    sent.current = own;
    return edit({ do: 'read-level', ...own }).finally(() => {
      if (sent.current === own) sent.current = null;
    });
  };
  const tilt = (label: string, key: 'tiltXDeg' | 'tiltYDeg') => (
    <NumberField
      label={label}
      quiet
      unit="°"
      empty="?"
      value={level[key] ?? null}
      takes={{ field: `ground.level.${key}` }}
      error={say(`ground.level.${key}`)}
      onChange={(v) => void set({ [key]: v, stepDeg: null, waterChecked: false })}
    />
  );
  const corner = (label: string, key: keyof NonNullable<Level['corners']>) => (
    <NumberField
      label={label}
      unit="mm"
      value={level.corners?.[key] ?? 0}
      takes={{ field: `ground.level.corners.${key}` }}
      error={say(`ground.level.corners.${key}`)}
      onChange={(v) => level.corners && void set({ corners: { ...level.corners, [key]: v ?? 0 } })}
    />
  );
  return (
    <section aria-label="How it stands">
      <h3>How it stands</h3>
      {ground.set && (
        <div className="row-buttons" role="group" aria-label="Which panel">
          {Array.from({ length: ground.set.count }, (_, i) => (
            <button
              key={i}
              type="button"
              className="chip"
              aria-pressed={panel === i + 1}
              onClick={() => setPanel(i + 1)}
            >
              Panel {i + 1}
            </button>
          ))}
        </div>
      )}
      <div className="sentence small">
        <p>
          Read{' '}
          <Whether
            label="Where the level was read"
            value={level.whereItCures}
            no="on another spot"
            yes="where it will cure"
            onChange={(whereItCures) => set({ whereItCures })}
          />
          {' as '}
          <Whether
            label="How the level was read"
            value={!!level.corners}
            no="a tilt"
            yes="corner heights"
            onChange={(byCorners) =>
              set({ tiltXDeg: null, tiltYDeg: null, corners: byCorners ? flat : null })
            }
          />
          {level.corners ? (
            ':'
          ) : (
            <>
              {': the right side '}
              {tilt('Tilt across, the right side higher', 'tiltXDeg')}
              {' higher, the lower side '}
              {tilt('Tilt along, the lower side higher', 'tiltYDeg')}
              {' higher.'}
            </>
          )}
        </p>
      </div>
      {level.corners && (
        <div className="corners">
          {corner('Top left', 'topLeftMm')}
          {corner('Top right', 'topRightMm')}
          {corner('Bottom left', 'bottomLeftMm')}
          {corner('Bottom right', 'bottomRightMm')}
        </div>
      )}
      {!level.corners && (
        <LevelLive
          needed={standing.needed}
          onTake={({ acrossDeg, alongDeg, stepDeg }) =>
            void set({ tiltXDeg: acrossDeg, tiltYDeg: alongDeg, stepDeg, waterChecked: false })
          }
        />
      )}
      <dl className="figures">
        <Figure
          term={ground.set ? `Drift across panel ${panel}` : 'Drift across it'}
          of={standing.drift}
          decimals={2}
          unknown="not known"
        >
          {!standing.tooCoarse && standing.level && level.waterChecked && level.stepDeg
            ? 'level by water'
            : howLevel(standing)}
        </Figure>
        <Figure term="Tilt it can take" of={standing.needed} decimals={3} />
        {ground.base?.kind !== 'casting' && (
          <Figure
            term="Sag between supports"
            of={standing.sag}
            decimals={2}
            unknown={ground.base?.material === 'canvas' ? 'no board' : 'thickness not known'}
          >
            {standing.straight ? 'straight enough' : 'too much'}
          </Figure>
        )}
        <Figure
          term={ground.set ? 'One panel so far' : 'Weight so far'}
          of={standing.massSoFar}
          decimals={2}
          unknown="not known"
        />
        <Figure term="With every layer" of={standing.finishedMass} decimals={2} unknown="not known" />
      </dl>
      <p>
        {ground.set ? 'Each panel' : 'It'} stands on {standing.supports.length} supports
        {!standing.ownSupports && <em> default</em>}, as drawn
        {standing.drift && ', each with the shim to put under it'}.
      </p>
      {(standing.drift || standing.ownSupports) && (
        <ol className="shims">
          {standing.supports.map((s, i) => (
            <li key={i}>
              <span className="hint">
                <HowNumber of={s.fromLeft} label={`Support ${i + 1} from the left`} decimals={0} />,{' '}
                <HowNumber of={s.fromTop} label={`Support ${i + 1} from the top`} decimals={0} />
              </span>
              {s.shim && <HowNumber of={s.shim} label={`Shim under support ${i + 1}`} decimals={1} />}
            </li>
          ))}
        </ol>
      )}
      <div className="row-buttons">
        <button
          type="button"
          className="btn btn-outline-primary"
          onClick={() => void edit({ do: 'add-support' })}
        >
          + a support
        </button>
        {standing.ownSupports && (
          <button
            type="button"
            className="btn btn-outline-primary"
            onClick={() => void edit({ do: 'usual-supports' })}
          >
            The usual four
          </button>
        )}
      </div>
    </section>
  );
}
