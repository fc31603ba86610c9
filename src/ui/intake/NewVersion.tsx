'use client';

import { dateLocale, say } from '@/core/words';
import { SyncOutlined } from '@ant-design/icons';
import { App, Button, Dropdown, Modal, Upload } from 'antd';
import { useState } from 'react';
import { answersFor, enter, type Ledger } from '@/core/documents';
import { isScoreFile, type Renewal } from '@/core/engine';
import { houseEntries } from '@/storage/house-list';
import { originalBytes, type ReceivedFile } from '@/storage/jobs';
import type { OriginalRef, VersionRecord } from '@/storage/schema';
import { goToVersion, takeVersion } from '@/storage/versions';
import { engineWorker } from '@/workers/engine-client';
import { useWorkspace } from '../workspace/workspace';
import { receivedFile, sentence } from '../shared/receive';
import { WhatChanged } from './WhatChanged';

const bytesOf = (originals: readonly OriginalRef[]) =>
  Promise.all(originals.map(({ sha256 }) => originalBytes(sha256)));

/** A new version that is looked at before it is taken. */
interface Offered {
  original: number;
  file: ReceivedFile;
  renewal: Renewal;
}

/** The composer sends a file again: what was decided is carried over, and what changed is listed. */
export function NewVersion() {
  const { message } = App.useApp();
  const job = useWorkspace((state) => state.job)!;
  const ledger = useWorkspace((state) => state.ledger)!;
  const open = useWorkspace((state) => state.open);
  const [offered, setOffered] = useState<Offered | null>(null);
  const [past, setPast] = useState<Renewal | null>(null);
  const { originals, versions = [] } = job;

  const failing = (what: string, work: () => Promise<void>) =>
    work().catch((error: unknown) => void message.error(`${what}: ${sentence(error)}`, 8));

  const offer = (original: number, file: File) =>
    failing(file.name, async () => {
      const received = await receivedFile(file);
      const before = await bytesOf(originals);
      await engineWorker().check(received.bytes, file.name);
      if (isScoreFile(received.bytes) !== isScoreFile(before[original]!)) {
        message.error(
          say('intake.fileIsAScoreAndFileNameIsNotANew', {
            file: file.name,
            isScoreFile: Boolean(isScoreFile(received.bytes)),
            fileName: originals[original]!.fileName,
          }),
          8,
        );
        return;
      }
      const after = before.with(original, received.bytes);
      setOffered({ original, file: received, renewal: await engineWorker().renew(before, after, ledger) });
    });

  const take = ({ original, file, renewal }: Offered) =>
    failing(file.fileName, async () => {
      await takeVersion(job.id, { original, file, ledger: await withNewTracks(renewal), of: ledger });
      setOffered(null);
      await open(job.id, true);
    });

  const look = (version: VersionRecord) =>
    failing(say('intake.previousVersion'), async () => {
      setPast(await engineWorker().renew(await bytesOf(version.originals), await bytesOf(originals), version.ledger));
    });

  const goTo = (index: number) =>
    failing(say('intake.otherVersion'), async () => {
      await goToVersion(job.id, index);
      await open(job.id, true);
    });

  const latest = versions.at(-1);
  return (
    <>
      {originals.map(({ fileName }, i) => (
        <Upload
          key={`${fileName}${i}`}
          accept=".mid,.midi,.smf,.kar,.rmi,.musicxml,.mxl,.xml"
          showUploadList={false}
          beforeUpload={(file) => {
            void offer(i, file);
            return false;
          }}
        >
          <Button size="small" icon={<SyncOutlined />}>
            {say('intake.newVersionOfThisFile', { originals: originals.length, fileName })}
          </Button>
        </Upload>
      ))}
      {latest && (
        <Button size="small" onClick={() => void look(latest)}>
          {say('intake.whatChanged')}
        </Button>
      )}
      {versions.length > 0 && (
        <Dropdown
          menu={{
            items: versions.map((version, i) => ({ key: i, label: versionInWords(version) })),
            onClick: ({ key }) => void goTo(Number(key)),
          }}
        >
          <Button size="small">{say('intake.otherVersion2', { versions: versions.length })}</Button>
        </Dropdown>
      )}
      {offered && (
        <Modal
          open
          width={680}
          title={say('intake.fileNameANewVersion', { fileName: offered.file.fileName })}
          okText={say('intake.useThisVersion')}
          cancelText={say('intake.cancel')}
          onOk={() => take(offered)}
          onCancel={() => setOffered(null)}
        >
          <WhatChanged renewal={offered.renewal} />
          <p className="soft">{say('intake.thePreviousVersionStaysInTheJob')}</p>
        </Modal>
      )}
      {past && (
        <Modal
          open
          width={680}
          title={say('intake.whatChangedInThisVersion')}
          footer={null}
          onCancel={() => setPast(null)}
        >
          <WhatChanged renewal={past} onOpened={() => setPast(null)} />
        </Modal>
      )}
    </>
  );
}

/** Of tracks that were not there before the house list is asked, as for a new job. */
async function withNewTracks({ ledger, changes, names }: Renewal): Promise<Ledger> {
  const added = changes.tracksAdded.map((id) => ({ id, name: names[id] ?? '' }));
  const answers = added.length > 0 ? answersFor(await houseEntries(), added) : null;
  return answers ? enter(ledger, answers) : ledger;
}

const versionInWords = ({ originals, at }: VersionRecord) =>
  `${originals.map(({ fileName }) => fileName).join(', ')}, ${at === undefined ? say('intake.theFirst') : new Date(at).toLocaleString(dateLocale())}`;
