import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { said } from '../api/client';
import { letStepsGo, setWorkshop } from '../api/changes';
import { aboutQuery } from '../api/queries';
import { useWorkshop } from '../units/workshop';
import { Choice } from '../parts/Choice';
import { TimeField } from '../parts/TimeField';
import './AboutPage.scss';

const megabytes = (bytes: number) => `${(bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`;
const steps = (n: number) => (n === 1 ? '1 step' : `${n} steps`);

/** The program, what it keeps and where, the workshop's own settings, and whose work it stands on. */
export function AboutPage() {
  const { data: workshop } = useWorkshop();
  const setting = useMutation(setWorkshop);
  const failed = said(setting.error, 'That could not be saved.');
  return (
    <main id="main" className="about">
      <h1>About Moss Lantern</h1>
      {workshop && (
        <section aria-label="The workshop's clock">
          <h2>The workshop&apos;s clock</h2>
          <p className="line">
            <Choice
              label="Time zone"
              value={workshop.timeZone}
              choices={workshop.timeZones.map((z) => [z, z.replaceAll('_', ' ')] as const)}
              onChange={(timeZone) => setting.mutate({ timeZone })}
            />
            <Choice
              label="Hours are told"
              value={String(workshop.hours)}
              choices={[
                ['24', 'to 24, as 18:30'],
                ['12', 'to 12, as 6:30 pm'],
              ]}
              onChange={(hours) => setting.mutate({ hours: Number(hours) })}
            />
          </p>
          {failed && (
            <p className="say-wrong" role="alert">
              {failed}
            </p>
          )}
        </section>
      )}
      <Kept />
      <section aria-label="Whose work it stands on">
        <h2>Whose work it stands on</h2>
        <p>
          Moss Lantern ships with fonts under the SIL Open Font License and with packages of many people, each
          under its own terms: <a href="/notices.txt">third-party notices</a>. For the program itself no
          licence is chosen yet: that is its owner&apos;s to do.
        </p>
      </section>
    </main>
  );
}

/** How large the workshop's file is, and the steps back that take up most of it. */
function Kept() {
  const going = useMutation(letStepsGo);
  const [before, setBefore] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const [told, setTold] = useState<string | null>(null);
  const { data, error } = useQuery(aboutQuery(before));
  const letGo = (day: string, count: number) => {
    setAsked(false);
    going.mutate(day, {
      onSuccess: (got) =>
        setTold(
          `${steps(count)} went; the file is ${megabytes(got.fileBytes)} now. A copy of it as it was is saved beside it.`,
        ),
      onError: (e) => setTold(said(e)),
    });
  };
  return (
    <section aria-label="What is saved">
      <h2>What is saved</h2>
      {data && (
        <>
          <dl className="facts">
            <div>
              <dt>Version</dt>
              <dd>{data.version}</dd>
            </div>
            <div>
              <dt>Data folder</dt>
              <dd>{data.dataFolder}</dd>
            </div>
            <div>
              <dt>The workshop&apos;s file</dt>
              <dd>{megabytes(data.fileBytes)}</dd>
            </div>
            <div>
              <dt>Steps that can be undone</dt>
              <dd>{data.steps}</dd>
            </div>
          </dl>
          <p className="line">
            <TimeField
              label="Steps older than"
              value={`${before ?? data.before}T00:00`}
              onChange={(to) => {
                setBefore(to.slice(0, 10) || null);
                setAsked(false);
                setTold(null);
              }}
            />
            {data.oldSteps === 0 ? (
              <span className="hint">There are none that could go.</span>
            ) : asked ? (
              <>
                <span>
                  Let {steps(data.oldSteps)} go? What a piece shows, named versions and what was logged stay;
                  a copy is made first.
                </span>
                <button
                  type="button"
                  className="btn btn-primary"
                  onClick={() => letGo(before ?? data.before, data.oldSteps)}
                >
                  Let them go
                </button>
                <button type="button" className="btn btn-outline-primary" onClick={() => setAsked(false)}>
                  Keep them
                </button>
              </>
            ) : (
              <button type="button" className="btn btn-outline-primary" onClick={() => setAsked(true)}>
                Let {steps(data.oldSteps)} go
              </button>
            )}
          </p>
        </>
      )}
      {(told ?? error) && (
        <p role="status" className={error ? 'say-wrong' : 'hint'}>
          {told ?? error?.message}
        </p>
      )}
    </section>
  );
}
