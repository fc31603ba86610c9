'use client';

import { say } from '@/core/words';
import { PrinterOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import Papa from 'papaparse';
import { useWorkspace } from '../workspace/workspace';
import styles from './timeline.module.css';

/** The table on paper, for the wall of the control room: what the browser prints is the CSV that goes out. */
export function PrintTable({ csv }: { csv: string }) {
  const name = useWorkspace((state) => state.job?.name ?? '');
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    if (!printing) return;
    const frame = requestAnimationFrame(() => {
      window.print();
      setPrinting(false);
    });
    return () => cancelAnimationFrame(frame);
  }, [printing]);
  const [head = [], ...rows] = Papa.parse<string[]>(csv.trim()).data;
  return (
    <>
      <Button icon={<PrinterOutlined />} onClick={() => setPrinting(true)}>
        {say('timeline.print')}
      </Button>
      {printing &&
        createPortal(
          <div className="printed">
            <h1 className={styles.printHead}>{name}</h1>
            <table className={styles.printTable}>
              <thead>
                <tr>
                  {head.map((cell) => (
                    <th key={cell}>{cell}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((row, i) => (
                  <tr key={i}>
                    {row.map((cell, c) => (
                      <td key={c}>{cell}</td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>,
          document.body,
        )}
    </>
  );
}
