import { say } from '../../words';
import { IsIn, IsInt, Max, Min } from 'class-validator';
import { MOST_PLAYERS, type Deal } from '../../settings';

export class DealDto implements Deal {
  @IsIn(['players', 'string-choir']) to!: Deal['to'];
  /** 1 keeps the notes together on one part. */
  @IsInt() @Min(1) @Max(MOST_PLAYERS) players!: number;
  @IsIn(['double', 'rest']) spare!: Deal['spare'];
  @IsIn(['smooth', 'top-down']) lines!: Deal['lines'];
  @IsIn(['straight', 'paired']) order!: Deal['order'];
}

export function dealInWords({ to, players, spare, lines, order }: Deal): string {
  if (players === 1) return say('decisions.keptAsOnePart');
  if (to === 'string-choir') return say('decisions.dividedAmongAStringChoir');
  return [
    say('decisions.dividedAmong') + players + ' players',
    spare === 'rest' && say('decisions.whoRestWhenThereAreFewerNotes'),
    lines === 'top-down' && say('decisions.alwaysFromTheTop'),
    order === 'paired' && say('decisions.inPairs'),
  ]
    .filter(Boolean)
    .join(', ');
}
