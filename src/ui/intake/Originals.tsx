'use client';

import { say } from '@/core/words';
import { PlusOutlined } from '@ant-design/icons';
import { App, Button, Select, Upload } from 'antd';
import { addOriginal } from '@/storage/jobs';
import { engineWorker } from '@/workers/engine-client';
import { timedOnDesk, useWorkspace } from '../workspace/workspace';
import { CommittedNumber } from '../shared/CommittedNumber';
import { receivedFile, sentence } from '../shared/receive';
import { bytesInWords } from '../shared/words';
import { NewVersion } from './NewVersion';
import styles from './intake.module.css';
import { settingsOf } from '@/core/documents';

/** Scores begin together; so they are told by their names. */
const isScoreName = (fileName: string) => /\.(?:musicxml|mxl|xml)$/i.test(fileName);

/** The job's originals, and what each gives: tracks from some bar on, or the time in which the others were played. */
export function Originals() {
  const { message } = App.useApp();
  const job = useWorkspace((state) => state.job)!;
  const open = useWorkspace((state) => state.open);

  async function take(file: File) {
    try {
      const received = await receivedFile(file);
      const kind = await engineWorker().check(received.bytes, file.name);
      // What was decided about the tracks of a MIDI file would be taken for the parts of the score.
      if (kind === 'score' && !isScoreName(job.originals[0]!.fileName)) {
        message.error(say('intake.fileIsAScoreDropItOnTheStartPage', { file: file.name }), 8);
        return;
      }
      await addOriginal(job.id, received);
      await open(job.id, true);
    } catch (error) {
      message.error(`${file.name}: ${sentence(error)}`, 8);
    }
  }

  return (
    <div className={styles.originals}>
      {job.originals.length > 1 &&
        job.originals.map((original, i) => (
          <div key={`${original.sha256}${i}`} className={styles.original}>
            <b>{i + 1}</b>
            <span>
              {original.fileName} <span className="soft">{bytesInWords(original.size)}</span>
            </span>
            <Role number={i + 1} fileName={original.fileName} />
          </div>
        ))}
      <Upload
        accept=".mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button size="small" icon={<PlusOutlined />}>
          {say('intake.addAFileToThisJob')}
        </Button>
      </Upload>
      <NewVersion />
    </div>
  );
}

/** What one of several originals gives to the job. */
function Role({ number, fileName }: { number: number; fileName: string }) {
  const timed = useWorkspace(timedOnDesk);
  const isScore = useWorkspace(({ original }) => original === 'score');
  const decide = useWorkspace((state) => state.decide);
  if (isScoreName(fileName)) return <span className="soft">{say('intake.writtenFromBar1')}</span>;
  const gives = timed?.original === number ? 'time' : 'tracks';
  return (
    <>
      {(number > 1 || isScore) && (
        <Select<'tracks' | 'time'>
          size="small"
          popupMatchSelectWidth={false}
          aria-label={say('intake.whatFileNameGives', { fileName })}
          value={gives}
          onChange={(role) => decide({ kind: 'takeTime', original: role === 'time' ? number : 0 })}
          options={[
            { value: 'tracks', label: isScore ? say('intake.givesNothing') : say('intake.givesItsTracks') },
            { value: 'time', label: say('intake.givesItsTimeTheSameMusicAsPlayed') },
          ]}
        />
      )}
      {gives === 'time' ? <Timed /> : !isScore && <Beginning number={number} fileName={fileName} />}
    </>
  );
}

function Timed() {
  const timed = useWorkspace(timedOnDesk);
  if (!timed?.found) return <span className="soft">{say('intake.notTheSameMusicItsTimeIsNotTaken')}</span>;
  const { matched, missing, extra } = timed.found;
  const { away } = timed;
  return (
    <span className="soft">
      {say('intake.matchedOfMatched2NotesFound', {
        matched,
        matched2: matched + missing,
        extraOver0: extra > 0,
        extra,
        away: Boolean(away),
        typical: away && Math.ceil(away.typical),
        largest: away && Math.ceil(away.largest),
      })}
    </span>
  );
}

function Beginning({ number, fileName }: { number: number; fileName: string }) {
  const ledger = useWorkspace((state) => state.ledger)!;
  const decide = useWorkspace((state) => state.decide);
  const { offsets } = settingsOf(ledger);
  if (number === 1) return <span className="soft">{say('intake.beginsAtBar1')}</span>;
  return (
    <label>
      {say('intake.beginsAtBar')}{' '}
      <CommittedNumber
        key={offsets[number] ?? 0}
        value={(offsets[number] ?? 0) + 1}
        min={1}
        max={10_000}
        label={say('intake.firstBarOfFileName', { fileName })}
        onCommit={(bar) => decide({ kind: 'placeOriginal', original: number, bars: bar - 1 })}
      />
    </label>
  );
}
