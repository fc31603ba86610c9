'use client';

import { useEffect, useState } from 'react';

/** Height of an element in CSS pixels, followed as it changes; virtual tables want a number. */
export function useHeight(frame: React.RefObject<HTMLElement | null>): number {
  const [height, setHeight] = useState(400);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setHeight(entry!.contentRect.height));
    observer.observe(element);
    return () => observer.disconnect();
  }, [frame]);
  return height;
}
