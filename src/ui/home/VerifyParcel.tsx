'use client';

import { say } from '@/core/words';
import { SafetyCertificateOutlined } from '@ant-design/icons';
import { Button, Modal, Table, Upload } from 'antd';
import { useState } from 'react';
import type { Verdict } from '@/core/verify';
import { verifyParcel } from '../dispatch/dispatcher';
import { sentence } from '../shared/receive';
import styles from './home.module.css';

interface Verified {
  name: string;
  verdicts: Verdict[];
}

/** A parcel held against its own contents sheet; no job is needed for it. */
export function VerifyParcel({ onFailure }: { onFailure: (words: string) => void }) {
  const [working, setWorking] = useState(false);
  const [verified, setVerified] = useState<Verified | null>(null);
  const verify = async (file: File) => {
    setWorking(true);
    try {
      setVerified({ name: file.name, verdicts: await verifyParcel(new Uint8Array(await file.arrayBuffer())) });
    } catch (error) {
      onFailure(`${file.name}: ${sentence(error)}`);
    } finally {
      setWorking(false);
    }
  };
  return (
    <>
      <Upload
        accept=".zip"
        showUploadList={false}
        disabled={working}
        beforeUpload={(file) => {
          void verify(file);
          return false;
        }}
      >
        <Button type="link" icon={<SafetyCertificateOutlined />} loading={working}>
          {say('home.verifyAParcel')}
        </Button>
      </Upload>
      <Modal
        title={verified ? say('home.parcelVerified', { verified: verified.name }) : ''}
        open={verified !== null}
        onCancel={() => setVerified(null)}
        footer={null}
        width={860}
      >
        {verified && <Verdicts verdicts={verified.verdicts} />}
      </Modal>
    </>
  );
}

function Verdicts({ verdicts }: { verdicts: readonly Verdict[] }) {
  const failed = verdicts.filter(({ ok }) => !ok).length;
  return (
    <>
      <p role="status" className={failed > 0 ? styles.failed : undefined}>
        {say('home.claimsVerdict', { failed0: failed === 0, verdicts: verdicts.length, failed })}
      </p>
      <Table<Verdict & { row: number }>
        size="small"
        rowKey="row"
        pagination={false}
        scroll={{ y: 420 }}
        dataSource={verdicts.map((one, row) => ({ ...one, row }))}
        columns={[
          {
            title: say('home.result'),
            width: 90,
            render: (_, { ok }) => (ok ? say('home.found') : <b className={styles.failed}>{say('home.failed')}</b>),
          },
          {
            title: say('home.claim'),
            render: (_, { words, found }) => (
              <>
                {words}
                {found && <div className={styles.failed}>{say('home.foundFound', { found })}</div>}
              </>
            ),
          },
        ]}
      />
    </>
  );
}
