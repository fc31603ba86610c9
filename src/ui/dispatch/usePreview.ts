'use client';

import { useEffect, useState } from 'react';
import { recipeFault, type Preview } from '@/core/dispatch';
import type { Recipe } from '@/core/documents';
import { sentence } from '../shared/receive';
import { previewOf, type JobInHand } from './dispatcher';

interface Seen {
  of: Recipe;
  job: JobInHand;
  preview: Preview | null;
  failure: string | null;
}

/** So long nothing must be typed before it is asked again. */
const REST_MS = 250;

/** What a recipe would make of a job as it stands; the last answer stays in sight until the next is there. */
export function usePreview(job: JobInHand | null, recipe: Recipe | null) {
  const [seen, setSeen] = useState<Seen | null>(null);
  const fault = recipe && recipeFault(recipe);
  useEffect(() => {
    if (!job || !recipe || fault) return;
    let stopped = false;
    const answer = (preview: Preview | null, failure: string | null) => {
      if (!stopped) setSeen({ of: recipe, job, preview, failure });
    };
    const timer = setTimeout(() => {
      previewOf(job, recipe).then(
        (preview) => answer(preview, null),
        (error) => answer(null, sentence(error)),
      );
    }, REST_MS);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [job, recipe, fault]);
  const current = seen?.of === recipe && seen?.job === job;
  return {
    // Of another recipe it would say what is not asked.
    preview: fault || seen?.of.name !== recipe?.name ? null : (seen?.preview ?? null),
    failure: fault ?? (current ? seen.failure : null),
    waiting: !current && !fault,
  };
}
