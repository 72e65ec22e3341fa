import type { WindowView } from '../../api/client';
import { NumberAt, TimeAt, WhetherAt } from '../../parts/At';
import { useFields } from '../../parts/fields';
import { HowNumber } from '../../parts/HowNumber';
import { localText, untilText, windowNames } from '../../units/format';
import { useUnits } from '../../units/units';
import { useStation } from '../station';
import './CureStation.scss';

const states: Record<WindowView['state'], string> = {
  ahead: 'not yet',
  open: 'open now',
  closed: 'closed',
  reached: 'reached',
  never: 'never open',
};

export function CureStation() {
  const { piece, layer, sittingPlan, at, secondLook } = useStation();
  const units = useUnits();
  const { usual } = useFields();
  const { span } = sittingPlan;
  return (
    <>
      <h2>{sittingPlan.poured ? 'Curing' : 'When to pour'}</h2>
      {sittingPlan.poured ? (
        <p className="hint">
          Counted from what was logged in Story:{' '}
          {span && `${localText(span.start.local)} to ${untilText(span.start.local, span.end.local)}`}, at{' '}
          {span && units.show(span.roomC, '°C')}
          {span?.roomOrigin === 'measured' ? '' : ' (assumed)'}.
          {!sittingPlan.done &&
            ` ${sittingPlan.openRegions.length === 1 ? 'One region is' : `${sittingPlan.openRegions.length} regions are`} not poured yet.`}
        </p>
      ) : (
        <div className="times">
          <TimeAt place={`${at.sitting}.start`} label="Mixing starts" value={layer.sitting.start ?? null} />
          <TimeAt
            place={`${at.sitting}.end`}
            label="Pour ends"
            value={layer.sitting.end ?? null}
            hint={
              layer.sitting.end
                ? undefined
                : `Blank: ${units.show(sittingPlan.batches.endMinutes.value, 'min', 0)} after the start, when the last pour is done.`
            }
          />
          <NumberAt
            place={`${at.sitting}.roomC`}
            label="Room"
            unit="°C"
            empty={usual['sittings.roomC'] ?? ''}
            value={layer.sitting.roomC ?? null}
          />
          {piece.layers[0]?.id !== layer.id && (
            <WhetherAt
              place={`${at.sitting}.sandFirst`}
              label="What lies below is"
              value={piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.sandFirst ?? false}
              no="poured over as it is"
              yes="sanded and wiped first"
            />
          )}
        </div>
      )}
      {sittingPlan.done && sittingPlan.copiesLeft > 0 && (
        <div className="times">
          <TimeAt
            place={`${at.sitting}.start`}
            label="The next casting starts"
            value={layer.sitting.start ?? null}
          />
        </div>
      )}
      {secondLook}
      {sittingPlan.windows.length === 0 ? (
        <p>Say when the pour starts, and its windows appear here.</p>
      ) : (
        <ol className="windows" aria-label={`Windows of ${sittingPlan.name}`}>
          {sittingPlan.windows.map((w) => (
            <li key={w.milestone} data-state={w.state}>
              <h3>
                {windowNames[w.milestone]} <em>{states[w.state]}</em>
              </h3>
              {w.state === 'never' ? (
                <p>The pour takes longer than this window stays open.</p>
              ) : (
                <p className="when">
                  {w.closes ? 'from ' : 'at '}
                  <b>{localText(w.opens.local)}</b>
                  {w.closes && (
                    <>
                      {' to '}
                      <b>{untilText(w.opens.local, w.closes.local)}</b>
                    </>
                  )}
                </p>
              )}
              <small>
                <HowNumber of={w.opensAfterHours} label={`${windowNames[w.milestone]} opens`} decimals={1} />{' '}
                after the last pour
                {w.closesAfterHours && (
                  <>
                    {', closes '}
                    <HowNumber
                      of={w.closesAfterHours}
                      label={`${windowNames[w.milestone]} closes`}
                      decimals={1}
                    />{' '}
                    after the first
                  </>
                )}
              </small>
            </li>
          ))}
        </ol>
      )}
      <p className="hint">
        Times follow the resin's typical data and this one room temperature. Its data sheet wins.
      </p>
    </>
  );
}
