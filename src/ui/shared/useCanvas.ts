import { useEffect, useRef } from 'react';
import { useMode } from './mode';

/**
 * A canvas that is painted anew when its size, the theme or what is painted changes.
 *
 * @param paint gets the canvas's context, scaled to CSS pixels, and its width; the same function as long as nothing changes
 */
export function useCanvas(height: number, paint: ((context: CanvasRenderingContext2D, width: number) => void) | null) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { mode } = useMode();
  useEffect(() => {
    const element = canvas.current;
    if (!element || !paint) return;
    const draw = () => {
      const width = element.clientWidth;
      const ratio = window.devicePixelRatio || 1;
      element.width = width * ratio;
      element.height = height * ratio;
      const context = element.getContext('2d');
      if (!context) return;
      context.scale(ratio, ratio);
      paint(context, width);
    };
    // The theme's colours are set on the document after this effect.
    const frame = requestAnimationFrame(draw);
    const observer = new ResizeObserver(draw);
    observer.observe(element);
    return () => {
      cancelAnimationFrame(frame);
      observer.disconnect();
    };
  }, [height, paint, mode]);
  return canvas;
}

/** One of the theme's colours, by the name it has in the style sheet. */
export function themeColour(name: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(name);
}
