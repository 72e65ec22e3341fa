import type { PlanView } from '../../api/client';
import { LitrePrice } from '../../parts/LitrePrice';
import { TimeField } from '../../parts/TimeField';
import { HowNumber } from '../../parts/HowNumber';
import { useEdits } from '../../parts/editing';
import { fieldText, localText, wireText } from '../../units/format';
import './Prepare.scss';

interface Props {
  plan: PlanView['ground'];
  pot?: PlanView['pot'];
  now?: string;
  /** A price has changed: what things cost is to be worked out anew. */
}

/** What has to be done before resin comes. */
export function Prepare({ plan, pot, now }: Props) {
  const { edit } = useEdits();
  const mark = (step: string, done: boolean, at: string | null = null) =>
    void edit({ do: 'mark-prepared', step, done, at });
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
                onChange={(e) => mark(step.id, e.target.checked, now ?? null)}
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
            {step.id === 'paint' && pot && (
              <span className="takes">
                {pot.name} has <HowNumber of={pot.left} label={`Left of ${pot.name}`} decimals={0} /> left
                {pot.short && (
                  <>
                    , <HowNumber of={pot.short} label={`${pot.name} is short of`} decimals={0} /> too little
                  </>
                )}
              </span>
            )}
            {step.id === 'paint' && plan.paintZones.length > 0 && (
              <ul className="paint-zones">
                {plan.paintZones.map((zone) => (
                  <li key={zone.name}>
                    <i className="paint-swatch" style={{ background: zone.colour }} aria-hidden /> {zone.name}{' '}
                    <HowNumber of={zone.amount} label={`Paint for ${zone.name}`} decimals={1} />
                  </li>
                ))}
              </ul>
            )}
            {step.done && step.dryHours != null && (
              <div className="dry">
                <TimeField
                  label="Done"
                  value={fieldText(step.at)}
                  onChange={(at) => mark(step.id, true, wireText(at))}
                />
                <span className="hint">
                  {step.readyAt ? `dry ${localText(step.readyAt)}` : `dry ${step.dryHours} h after that`}
                </span>
              </div>
            )}
            {!step.done && step.dry && (
              <span className="hint">
                dries <HowNumber of={step.dry} label={`Drying of: ${step.what}`} decimals={0} />
              </span>
            )}
          </li>
        ))}
      </ul>
      {plan.sealWays.length > 0 && (
        <details>
          <summary>Ways to seal it</summary>
          <ul className="seal-ways">
            {plan.sealWays.map((way) => (
              <li key={way.id}>
                <b>{way.name}</b> <HowNumber of={way.amount} label={way.name} />,{' '}
                {way.dry && <HowNumber of={way.dry} label={`Drying of ${way.name}`} decimals={0} />}
                <small>{way.mind}</small>
                <Price way={way} />
              </li>
            ))}
          </ul>
          <p className="hint">
            Typical values; the label on the tin wins. Prices are this workshop&rsquo;s own.
          </p>
        </details>
      )}
    </section>
  );
}

/** What a way to seal costs: for a square metre and for this ground, once a litre has its price. */
interface PriceProps {
  way: PlanView['ground']['sealWays'][number];
}

function Price({ way }: PriceProps) {
  return (
    <span className="price">
      {'a litre costs '}
      <LitrePrice of={way.id} label={`Price of a litre, ${way.name}`} />
      {way.costPerM2 && way.cost ? (
        <>
          {': '}
          <HowNumber of={way.costPerM2} label={`${way.name}, for a square metre`} decimals={2} />
          {', here '}
          <HowNumber of={way.cost} label={`${way.name}, here`} decimals={2} />
        </>
      ) : (
        <small>what it costs here is not known</small>
      )}
    </span>
  );
}
