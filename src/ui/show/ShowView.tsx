'use client';

import { say } from '@/core/words';
import { PlusOutlined } from '@ant-design/icons';
import { Alert, App, Button, Input, Select, Upload } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { database, type ShowRecord } from '@/storage/schema';
import { addCues, changeShow, cuesOf, dissolveShow } from '@/storage/shows';
import { stopDispatcher } from '../dispatch/dispatcher';
import { ENDINGS, takeFiles } from '../home/takeFiles';
import { sentence } from '../shared/receive';
import { clock } from '../shared/words';
import { CueTable } from './CueTable';
import { CUE_STATES, stateOf, STATE_WORDS, type CueState } from './cueState';
import { DrumMapForAll } from './DrumMapForAll';
import { SameNames } from './SameNames';
import { SendShow } from './SendShow';
import { useCueFacts } from './useCueFacts';
import styles from './show.module.css';

/** A show: its cues, what is in doubt in each, whether they fit together, and out with all of them. */
export function ShowView({ id }: { id: string }) {
  const show = useLiveQuery(async () => (await database.shows.get(id)) ?? null, [id]);
  const name = show?.name;
  useEffect(() => {
    document.title = name ? say('show.nameDragoman', { name }) : 'Dragoman';
  }, [name]);
  useEffect(() => stopDispatcher, []);
  if (show === undefined) return null;
  if (show === null)
    return (
      <main className={styles.show}>
        <Alert
          type="error"
          showIcon
          title={say('show.thisShowIsNotInThisBrowserItMay')}
          action={<Link href="/">{say('show.toTheJobs')}</Link>}
        />
      </main>
    );
  return <Desk show={show} />;
}

function Desk({ show }: { show: ShowRecord }) {
  const router = useRouter();
  const cues = useLiveQuery(() => cuesOf(show.id), [show.id]);
  const [sending, setSending] = useState(false);
  const [search, setSearch] = useState('');
  const [state, setState] = useState<CueState | 'all'>('all');
  const left = useCueFacts(cues, sending);
  const all = cues ?? [];
  const shown = all.filter(
    (cue) => cue.name.toLowerCase().includes(search.toLowerCase()) && (state === 'all' || stateOf(cue) === state),
  );
  const next = all.find((cue) => stateOf(cue) === 'doubt');
  const seconds = all.reduce((sum, { facts }) => sum + (facts?.seconds ?? 0), 0);
  const open = all.reduce((sum, { facts }) => sum + (facts?.openQueries ?? 0), 0);
  return (
    <main className={styles.show}>
      <header className={styles.head}>
        <Link href="/" className={styles.mark}>
          {say('show.dragoman')}
        </Link>
        <ShowName key={show.name} show={show} />
        <span className="soft">
          {say('show.cueSecondsNoQueryOpenOpenLeftOver0', {
            all: all.length,
            seconds: clock(seconds),
            open0: open === 0,
            open,
            leftOver0: left > 0,
            left,
          })}
        </span>
      </header>
      <SendShow show={show} cues={all} left={left} onBusy={setSending} />
      <SameNames cues={all} />
      <div className={styles.tools}>
        <Input
          size="small"
          allowClear
          placeholder={say('show.findACue')}
          aria-label={say('show.findACue')}
          value={search}
          onChange={({ target }) => setSearch(target.value)}
        />
        <Select<CueState | 'all'>
          size="small"
          aria-label={say('show.stateOfCues')}
          value={state}
          onChange={setState}
          options={[
            { value: 'all', label: say('show.inAnyState') },
            ...CUE_STATES.map((value) => ({ value, label: STATE_WORDS[value] })),
          ]}
        />
        <Button
          size="small"
          disabled={!next}
          onClick={() =>
            next && router.push(`/job/${next.id}/${next.direction === 'to-sequencer' ? 'intake' : 'rhythm'}`)
          }
        >
          {say('show.openTheNextInDoubt')}
        </Button>
        <DrumMapForAll cues={all} />
        <AddCues show={show} />
        <span className={styles.push} />
        <Button
          size="small"
          onClick={() => {
            void dissolveShow(show.id).then(() => router.push('/'));
          }}
        >
          {say('show.ungroup')}
        </Button>
      </div>
      <CueTable cues={shown} />
    </main>
  );
}

/** Further files become cues of the show. */
function AddCues({ show }: { show: ShowRecord }) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState<string | null>(null);
  const take = async (files: readonly File[]) => {
    const { jobs, failures } = await takeFiles(files, { kind: 'jobs' }, setBusy);
    await addCues(
      show.id,
      jobs.map(({ id }) => id),
    );
    setBusy(null);
    if (failures.length > 0) void message.error(failures.join(' '), 8);
  };
  return (
    <Upload
      multiple
      accept={ENDINGS.join()}
      showUploadList={false}
      beforeUpload={(file, all) => {
        if (file === all[0]) void take(all).catch((error) => message.error(sentence(error)));
        return false;
      }}
    >
      <Button size="small" icon={<PlusOutlined />} loading={busy !== null}>
        {say('show.addOrReading', { busy: Boolean(busy), busy2: busy })}
      </Button>
    </Upload>
  );
}

function ShowName({ show }: { show: ShowRecord }) {
  const [name, setName] = useState(show.name);
  const commit = () => {
    if (name.trim() === '') setName(show.name);
    else if (name.trim() !== show.name) void changeShow(show.id, { name: name.trim() });
  };
  return (
    <h1 className={styles.name}>
      <Input
        variant="borderless"
        aria-label={say('show.nameOfTheShow')}
        maxLength={200}
        value={name}
        onChange={({ target }) => setName(target.value)}
        onPressEnter={commit}
        onBlur={commit}
      />
    </h1>
  );
}
