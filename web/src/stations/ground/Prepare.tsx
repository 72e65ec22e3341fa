import type { Ground, PlanView } from '../../api/client';
import { TimeField } from '../../parts/Fields';
import { HowNumber } from '../../parts/HowNumber';
import { fieldText, localText, wireText } from '../../parts/format';

interface Props {
  ground: Ground;
  plan: PlanView['ground'];
  now?: string;
  onChange: (change: Partial<Ground>) => void;
}

/** What has to be done before resin comes. */
export function Prepare({ ground, plan, now, onChange }: Props) {
  const done = ground.done ?? [];
  const mark = (id: string, at: string | null | undefined) =>
    onChange({
      done:
        at === undefined ? done.filter((d) => d.id !== id) : [...done.filter((d) => d.id !== id), { id, at }],
    });
  return (
    <section aria-label="Before resin comes">
      <h3>Before resin comes</h3>
      <ul className="prepare">
        {plan.preparation.map((step) => (
          <li key={step.id} data-done={step.done || undefined}>
            <label>
              <input
                type="checkbox"
                checked={step.done}
                onChange={(e) => mark(step.id, e.target.checked ? (now ?? null) : undefined)}
              />
              <span>
                <b>{step.what}</b>
                <small>{step.why}</small>
              </span>
            </label>
            {step.amount && (
              <span className="takes">
                <HowNumber of={step.amount} label={`${step.what}, takes`} />
              </span>
            )}
            {step.done && step.dryHours != null && (
              <div className="dry">
                <TimeField
                  label="Done"
                  value={fieldText(step.at)}
                  onChange={(at) => mark(step.id, wireText(at))}
                />
                <span className="hint">
                  {step.readyAt ? `dry ${localText(step.readyAt)}` : `dry ${step.dryHours} h after that`}
                </span>
              </div>
            )}
            {!step.done && step.dryHours != null && <span className="hint">dries {step.dryHours} h</span>}
          </li>
        ))}
      </ul>
      {plan.sealWays.length > 0 && (
        <details>
          <summary>Ways to seal it</summary>
          <ul className="seal-ways">
            {plan.sealWays.map((way) => (
              <li key={way.name}>
                <b>{way.name}</b> <HowNumber of={way.amount} label={way.name} />, {way.dryHours} h
                <small>{way.mind}</small>
              </li>
            ))}
          </ul>
          <p className="hint">Typical values; the label on the tin wins. Its price is not known here yet.</p>
        </details>
      )}
    </section>
  );
}
