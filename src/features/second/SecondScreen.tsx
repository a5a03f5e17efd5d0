'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { type Invitation } from './load';
import styles from './second.module.css';

interface SecondScreenProps {
  readonly file: JobFile;
  /** None where only this machine reaches the server. */
  readonly invitations: readonly Invitation[];
  /** How long each is good. */
  readonly minutes: number;
}

/** Codes by which a tablet or a telephone joins the job. */
export const SecondScreen = ofSentJob(function SecondScreen({ file, invitations, minutes }: SecondScreenProps) {
  const router = useRouter();
  const { log, job } = useJob(file);
  return (
    <JobFrame file={file} log={log} bench={job.bench}>
      <section aria-label="Second screen" className={styles.second}>
        <h1>A second screen for this job</h1>
        {invitations.length === 0 ? (
          <>
            <p>
              This server listens to this machine alone. To let a tablet or a telephone of your own network in, end it
              and start it again so:
            </p>
            <p className={`figure ${styles.line}`}>TOVRIK_HOST=0.0.0.0 npm start</p>
            <p className="soft">
              It then shows a code, and this page has pictures that let one device in each. Local rules on networks come
              first.
            </p>
          </>
        ) : (
          <>
            <p>
              Point the camera of the other device at one of these. Each lets one device in, once, within {minutes}{' '}
              minutes; both screens then show the same log, whoever writes it.
            </p>
            <ul className={styles.codes}>
              {invitations.map(({ title, tell, link, code }) => (
                <li key={title}>
                  {/* A data address made by the server: there is nothing to be optimised. */}
                  {/* eslint-disable-next-line @next/next/no-img-element */}
                  <img src={code} alt={`Code for ${title.toLowerCase()}`} width={220} height={220} />
                  <h2>
                    <a href={link}>{title}</a>
                  </h2>
                  <p>{tell}</p>
                </li>
              ))}
            </ul>
            <Button onClick={() => router.refresh()}>New codes</Button>
          </>
        )}
      </section>
    </JobFrame>
  );
});
