'use client';

import { say } from '@/core/words';
import { MoreOutlined } from '@ant-design/icons';
import { Button, Dropdown, type MenuProps } from 'antd';
import { leadingTrack, trackId } from '@/core/base';
import { settingsOf } from '@/core/documents';
import type { MidiPartSummary } from '@/core/engine';
import { USUAL_DEAL } from '@/core/settings';
import { useWorkspace } from '../workspace/workspace';

const PLAYERS = [2, 3, 4] as const;

/** A track put into another one, or dealt out to players, and back. */
export function TrackMenu({ part, parts }: { part: MidiPartSummary; parts: readonly MidiPartSummary[] }) {
  const decide = useWorkspace((state) => state.decide);
  const ledger = useWorkspace((state) => state.ledger)!;
  const { gathered, deals } = settingsOf(ledger);
  const track = leadingTrack(part.id);
  const name = part.received.name || part.name;
  const members = Object.entries(gathered).filter(([, leader]) => leader === track);
  const others = parts.filter((other) => leadingTrack(other.id) !== track);
  const items: MenuProps['items'] = [
    {
      key: 'into',
      label: say('casting.combineWith'),
      disabled: others.length === 0,
      children: others.map((other) => ({
        key: `into/${other.id}`,
        label: other.received.name || other.name,
        onClick: () => decide({ kind: 'gather', tracks: [leadingTrack(other.id), track] }),
      })),
    },
    {
      key: 'apart',
      label: say('casting.separateItsCombinedTracks'),
      disabled: members.length === 0,
      onClick: () => decide({ kind: 'standAlone', tracks: members.map(([member]) => trackId(member)) }),
    },
    ...PLAYERS.map((players) => ({
      key: `deal/${players}`,
      label: say('casting.divideAmongPlayersPlayers', { players }),
      disabled: part.unpitched,
      onClick: () => decide({ kind: 'dealOut' as const, track, deal: { ...USUAL_DEAL, players } }),
    })),
    {
      key: 'together',
      label: say('casting.recombine'),
      disabled: deals[track] === undefined,
      onClick: () => decide({ kind: 'dealOut', track, deal: { ...USUAL_DEAL, players: 1 } }),
    },
  ];
  return (
    <Dropdown menu={{ items }} trigger={['click']}>
      <Button
        size="small"
        type="text"
        icon={<MoreOutlined />}
        aria-label={say('casting.combineOrDivideName', { name })}
      />
    </Dropdown>
  );
}
