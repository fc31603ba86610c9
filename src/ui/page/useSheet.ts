'use client';

import type { PartId } from '@/core/base';
import { useCallback, useEffect, useRef, useState } from 'react';
import { engineWorker } from '@/workers/engine-client';
import { engraveWorker } from '@/workers/engrave-client';
import { sentence } from '../shared/receive';

interface Wanted {
  /** Changes with each conversion. */
  edition: number;
  /** One part, or the whole score. */
  part: PartId | null;
  concert: boolean;
  layout: 'pages' | 'line';
  /** From 1. */
  page: number;
}

/** Staves of a score are smaller than those of a part (usual sizes of engraving handbooks, from memory). */
const SCORE_STAFF = 4.4;
const PART_STAFF = 6.6;

interface Laid {
  mei: string;
  pages: number;
  layout: 'pages' | 'line';
}

/** Lays a sheet out and draws one of its pages; the last page stays in sight until the next is ready. */
export function useSheet({ edition, part, concert, layout, page }: Wanted) {
  const [laid, setLaid] = useState<Laid | null>(null);
  const [drawn, setDrawn] = useState<{ of: Laid; page: number; svg: string } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const latest = useRef(0);
  const options = { layout, staffMillimetres: part === null ? SCORE_STAFF : PART_STAFF };
  const { staffMillimetres } = options;

  useEffect(() => {
    const mine = ++latest.current;
    void (async () => {
      try {
        const mei = await engineWorker().sheet(part, concert);
        const pages = await engraveWorker().layOut(mei, { layout, staffMillimetres });
        if (mine === latest.current) {
          setFailure(null);
          setLaid({ mei, pages, layout });
        }
      } catch (error) {
        if (mine === latest.current) setFailure(sentence(error));
      }
    })();
  }, [edition, part, concert, layout, staffMillimetres]);

  useEffect(() => {
    if (!laid) return;
    let stopped = false;
    const wanted = Math.min(page, laid.pages);
    engraveWorker()
      .page(laid.mei, wanted)
      .then((svg) => {
        if (!stopped) setDrawn({ of: laid, page: wanted, svg });
      })
      // Another sheet has taken its place: that one will be drawn.
      .catch(() => undefined);
    return () => {
      stopped = true;
    };
  }, [laid, page]);

  const allPages = useCallback(
    async (onPage: (done: number, of: number) => void, of: PartId | null = part): Promise<string[]> => {
      const mei = await engineWorker().sheet(of, concert);
      const engraver = engraveWorker();
      const pages = await engraver.layOut(mei, { layout: 'pages', staffMillimetres });
      const all: string[] = [];
      for (let n = 1; n <= pages; n++) {
        onPage(n, pages);
        all.push(await engraver.page(mei, n));
      }
      // What is on the screen may be laid out otherwise.
      if (layout !== 'pages' || of !== part)
        await engraver.layOut(await engineWorker().sheet(part, concert), { layout, staffMillimetres });
      return all;
    },
    [part, concert, layout, staffMillimetres],
  );

  return {
    svg: drawn?.svg ?? null,
    mei: laid?.mei ?? null,
    pages: laid?.layout === layout ? laid.pages : 0,
    waiting: drawn?.of !== laid,
    failure,
    allPages,
  };
}
