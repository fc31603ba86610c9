'use client';

import { say } from '@/core/words';
import {
  DownloadOutlined,
  LeftOutlined,
  PrinterOutlined,
  RightOutlined,
  ZoomInOutlined,
  ZoomOutOutlined,
} from '@ant-design/icons';
import { Alert, App, Button, Segmented, Spin, Tooltip } from 'antd';
import { useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import { AuditionBar } from '../audition/AuditionBar';
import { useWorkspace } from '../workspace/workspace';
import { sentence } from '../shared/receive';
import { pdf } from './pdf';
import { openUnder } from './openUnder';
import { SheetPlayhead } from './SheetPlayhead';
import { useSheet } from './useSheet';
import music from '../shared/engraving.module.css';
import styles from './page.module.css';
import { withHeads, type BookPage } from '@/paper/sheets';
import { fileNameOf } from '@/core/documents';
import type { PartId } from '@/core/base';
import { EXTRACTS } from '@/core/extracts';

interface Props {
  /** A part or an extract; the whole score when null. */
  of: { id: PartId; name: string } | null;
  /** What a click on a note opens; the part under the pointer when null. */
  opens: readonly PartId[] | null;
  looks: React.ReactNode;
}

/** The engraved score, one part or an extract, as pages or on one line; printed, or saved as PDF. */
export function Sheet({ of: part, opens, looks }: Props) {
  // Extracts stand at concert pitch.
  const extract = EXTRACTS.some(({ id }) => id === part?.id);
  const { message } = App.useApp();
  const edition = useWorkspace((state) => state.edition);
  const jobName = useWorkspace((state) => state.job!.name);
  const title = useWorkspace((state) => state.summary!.title) || jobName;
  const parts = useWorkspace((state) => state.summary!.parts);
  const [layout, setLayout] = useState<'pages' | 'line'>('pages');
  const [concert, setConcert] = useState(false);
  const [page, setPage] = useState(1);
  const [zoom, setZoom] = useState(1);
  const [busy, setBusy] = useState<string | null>(null);
  const [printing, setPrinting] = useState<string[] | null>(null);
  const { svg, mei, pages, waiting, failure, allPages } = useSheet({
    edition,
    part: part?.id ?? null,
    concert,
    layout,
    page,
  });
  const drawing = useMemo(() => ({ __html: svg ?? '' }), [svg]);
  const shownPage = Math.min(page, Math.max(1, pages));

  async function withAllPages(what: string, work: (all: string[]) => Promise<void>): Promise<void> {
    try {
      setBusy(`${what} …`);
      await work(await allPages((done, of) => setBusy(say('page.whatPageDoneOfOf', { what, done, of }))));
    } catch (error) {
      void message.error(sentence(error));
    } finally {
      setBusy(null);
    }
  }

  const print = () =>
    withAllPages(say('page.preparing'), async (all) => {
      setPrinting(all);
      // The browser prints what is on the page once it has been drawn.
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      window.print();
      setPrinting(null);
    });
  const save = () =>
    withAllPages(say('page.makingThePDF'), async (all) => {
      const name = [fileNameOf(jobName), part && fileNameOf(part.name)].filter(Boolean).join(' - ');
      const pages = withHeads(all, title, part?.name ?? '');
      await pdf(pages, [title, part?.name].filter(Boolean).join(', '), `${name}.pdf`);
    });

  /** Every part after the other, each beginning on a page of its own. */
  const saveParts = async () => {
    try {
      const all: BookPage[] = [];
      for (const [i, one] of parts.entries()) {
        const busyWith = (done: number, of: number) =>
          setBusy(say('page.partIOfPartsPageDoneOfOf', { i: i + 1, parts: parts.length, done, of }));
        all.push(...withHeads(await allPages(busyWith, one.id), title, one.name));
      }
      await pdf(
        all,
        say('page.titleParts', { title }),
        say('page.fileNameOfPartsPdf', { fileNameOf: fileNameOf(jobName) }),
      );
    } catch (error) {
      void message.error(sentence(error));
    } finally {
      setBusy(null);
    }
  };

  return (
    <>
      <div className={styles.sheetBar}>
        {looks}
        <Segmented<'pages' | 'line'>
          size="small"
          value={layout}
          onChange={setLayout}
          options={[
            { value: 'pages', label: say('page.pages') },
            { value: 'line', label: say('page.oneLine') },
          ]}
        />
        {!extract && (
          <Segmented<boolean>
            size="small"
            value={concert}
            onChange={setConcert}
            options={[
              { value: false, label: say('page.written') },
              { value: true, label: say('page.concert') },
            ]}
          />
        )}
        {layout === 'pages' && <PageWalk page={shownPage} pages={pages} onPage={setPage} />}
        <Zoom zoom={zoom} onZoom={setZoom} />
        <span className={styles.push} />
        <Tooltip title={say('page.print')}>
          <Button
            size="small"
            aria-label={say('page.print')}
            icon={<PrinterOutlined />}
            disabled={busy !== null || pages === 0}
            onClick={() => void print()}
          />
        </Tooltip>
        <Button
          size="small"
          icon={<DownloadOutlined />}
          disabled={busy !== null || pages === 0}
          onClick={() => void save()}
        >
          {say('page.pDF')}
        </Button>
        {part && !extract && (
          <Button
            size="small"
            aria-label={say('page.allPartsAsPDF')}
            title={say('page.allPartsAsPDF')}
            disabled={busy !== null || pages === 0}
            onClick={() => void saveParts()}
          >
            {say('page.all')}
          </Button>
        )}
      </div>
      {busy && (
        <div className={styles.busy} aria-live="polite">
          {busy}
        </div>
      )}
      <div className={styles.sheets} data-layout={layout}>
        {failure && <Alert type="error" showIcon title={say('page.thisCouldNotBeLaidOutFailure', { failure })} />}
        {!svg && !failure && <Spin className={styles.spin} description={say('page.layingOut')} />}
        {svg && (
          <div className={styles.paperFrame} style={{ ['--zoom' as string]: zoom }}>
            <div
              className={`${music.engraved} ${styles.paper}`}
              data-waiting={waiting || undefined}
              role="img"
              aria-label={
                part
                  ? say('page.partPageShownPage', { part: part.name, shownPage })
                  : say('page.scorePageShownPage', { shownPage })
              }
              onClick={(event) => mei && void openUnder(event.currentTarget, event, mei, opens)}
              dangerouslySetInnerHTML={drawing}
            />
            {mei && <SheetPlayhead mei={mei} page={shownPage} onPage={setPage} />}
          </div>
        )}
      </div>
      <AuditionBar />
      {printing &&
        createPortal(
          <div className="printed">
            {printing.map((one, i) => (
              <div key={i} className="printedPage" dangerouslySetInnerHTML={{ __html: one }} />
            ))}
          </div>,
          document.body,
        )}
    </>
  );
}

interface StepProps {
  label: string;
  icon: React.ReactNode;
  disabled: boolean;
  onClick: () => void;
}

function Step({ label, ...more }: StepProps) {
  return <Button size="small" type="text" aria-label={label} {...more} />;
}

function PageWalk({ page, pages, onPage }: { page: number; pages: number; onPage: (page: number) => void }) {
  return (
    <span className={styles.group}>
      <Step
        label={say('page.previousPage')}
        icon={<LeftOutlined />}
        disabled={page <= 1}
        onClick={() => onPage(page - 1)}
      />
      <span className={styles.pageNumber}>
        {page} <span className="soft">{say('page.ofPages', { pages: pages || '…' })}</span>
      </span>
      <Step
        label={say('page.nextPage')}
        icon={<RightOutlined />}
        disabled={page >= pages}
        onClick={() => onPage(page + 1)}
      />
    </span>
  );
}

const ZOOMS = [0.5, 0.7, 1, 1.4, 2, 2.8];

/** Pages larger and smaller; in the middle they fit the view. */
function Zoom({ zoom, onZoom }: { zoom: number; onZoom: (zoom: number) => void }) {
  const at = ZOOMS.indexOf(zoom);
  return (
    <span className={styles.group}>
      <Step
        label={say('page.smallerPages')}
        icon={<ZoomOutOutlined />}
        disabled={at === 0}
        onClick={() => onZoom(ZOOMS[at - 1]!)}
      />
      <Step
        label={say('page.largerPages')}
        icon={<ZoomInOutlined />}
        disabled={at === ZOOMS.length - 1}
        onClick={() => onZoom(ZOOMS[at + 1]!)}
      />
    </span>
  );
}
