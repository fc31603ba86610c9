import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { parseMidi, type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { demoMechanical, demoOriginal } from '../../../demo/make';
import { arbitrarySmf } from '../../testing/arbitrary-smf';
import {
  decodeText,
  encodeText,
  guessEncoding,
  TEXT_ENCODINGS,
  readSmf,
  readVlq,
  SmfError,
  writeSmf,
  writeVlq,
  type SmfEvent,
  type SmfFile,
} from './index';

const bytes = (hex: string) =>
  Uint8Array.from(
    hex
      .trim()
      .split(/\s+/)
      .map((byte) => parseInt(byte, 16)),
  );
const ascii = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
const join_ = (...parts: Uint8Array[]) => Uint8Array.from(parts.flatMap((part) => [...part]));
const header = (format: number, tracks: number, division: number) =>
  join_(ascii('MThd'), bytes(`00 00 00 06 00 0${format} 00 0${tracks}`), Uint8Array.of(division >> 8, division & 0xff));
const chunk = (body: Uint8Array, length = body.length) =>
  join_(ascii('MTrk'), Uint8Array.of(0, 0, length >> 8, length & 0xff), body);

describe('variable-length quantities', () => {
  // Standard MIDI Files 1.0 (MIDI Association RP-001), table of examples.
  const table: [number, string][] = [
    [0x00, '00'],
    [0x40, '40'],
    [0x7f, '7F'],
    [0x80, '81 00'],
    [0x2000, 'C0 00'],
    [0x3fff, 'FF 7F'],
    [0x4000, '81 80 00'],
    [0x100000, 'C0 80 00'],
    [0x1fffff, 'FF FF 7F'],
    [0x200000, '81 80 80 00'],
    [0x8000000, 'C0 80 80 00'],
    [0xfffffff, 'FF FF FF 7F'],
  ];
  it.each(table)('writes and reads %i as the standard shows', (value, hex) => {
    const out: number[] = [];
    writeVlq(value, out);
    expect(Uint8Array.from(out)).toEqual(bytes(hex));
    expect(readVlq(bytes(hex), 0)).toEqual({ value, next: bytes(hex).length });
  });
  it('refuses five bytes, and values that need them', () => {
    expect(readVlq(bytes('81 80 80 80 00'), 0)).toBeNull();
    expect(() => writeVlq(0x10000000, [])).toThrow(RangeError);
  });
});

/*
 * The worked examples of Standard MIDI Files 1.0 (MIDI Association RP-001): four notes, 96 ticks per quarter, once as
 * type 0 and once as type 1, byte for byte from memory of the published text.
 */
const STANDARD_TYPE_0 = join_(
  bytes('4D 54 68 64 00 00 00 06 00 00 00 01 00 60'),
  bytes('4D 54 72 6B 00 00 00 3B'),
  bytes('00 FF 58 04 04 02 18 08  00 FF 51 03 07 A1 20  00 C0 05  00 C1 2E  00 C2 46'),
  bytes(
    '00 92 30 60  00 3C 60  60 91 43 40  60 90 4C 20  81 40 82 30 40  00 3C 40  00 81 43 40  00 80 4C 40  00 FF 2F 00',
  ),
);
const STANDARD_TYPE_1 = join_(
  bytes('4D 54 68 64 00 00 00 06 00 01 00 04 00 60'),
  bytes('4D 54 72 6B 00 00 00 14  00 FF 58 04 04 02 18 08  00 FF 51 03 07 A1 20  83 00 FF 2F 00'),
  bytes('4D 54 72 6B 00 00 00 10  00 C0 05  81 40 90 4C 20  81 40 4C 00  00 FF 2F 00'),
  bytes('4D 54 72 6B 00 00 00 0F  00 C1 2E  60 91 43 40  82 20 43 00  00 FF 2F 00'),
  bytes('4D 54 72 6B 00 00 00 15  00 C2 46  00 92 30 60  00 3C 60  83 00 30 00  00 3C 00  00 FF 2F 00'),
);

describe('the standard’s worked examples', () => {
  it('reads type 0 with running status', () => {
    const { file, warnings } = readSmf(STANDARD_TYPE_0);
    expect(warnings).toEqual([]);
    expect(file.division).toEqual({ kind: 'metrical', ticksPerQuarter: 96 });
    const ons = file.tracks[0]!.events.filter((event) => event.kind === 'channel' && (event.status & 0xf0) === 0x90);
    expect(
      ons.map((event) => event.kind === 'channel' && [event.tick, event.status & 0xf, event.data1, event.data2]),
    ).toEqual([
      [0, 2, 48, 96],
      [0, 2, 60, 96],
      [96, 1, 67, 64],
      [192, 0, 76, 32],
    ]);
    expect(file.tracks[0]!.endTick).toBe(384);
  });
  it('writes both back to the same bytes', () => {
    for (const example of [STANDARD_TYPE_0, STANDARD_TYPE_1])
      expect(writeSmf(readSmf(example).file, { runningStatus: true })).toEqual(example);
  });
});

describe('reading and writing', () => {
  it('gives equal events back for any stream of events, with and without running status', () => {
    fc.assert(
      fc.property(arbitrarySmf, fc.boolean(), (file, runningStatus) => {
        const { file: again, warnings } = readSmf(writeSmf(file, { runningStatus }));
        expect(again).toEqual(file);
        expect(warnings).toEqual([]);
      }),
      { numRuns: 300 },
    );
  });

  it('parts a wait that is longer than a delta time can be', () => {
    const note = { kind: 'channel' as const, tick: 600_000_000, status: 0x90, data1: 60, data2: 64 };
    const track = { events: [note], endTick: 600_000_001 };
    const long = { ...readSmf(STANDARD_TYPE_0).file, tracks: [track] };
    const { file, warnings } = readSmf(writeSmf(long));
    expect(file.tracks[0]!.events.filter(({ kind }) => kind === 'channel')).toEqual([note]);
    expect(warnings).toEqual([]);
    expect(parseMidi(writeSmf(long)).tracks[0]!.reduce((tick, event) => tick + event.deltaTime, 0)).toBe(600_000_001);
  });

  it('unpacks a RIFF wrapper and passes over foreign bytes before the header', () => {
    const size = STANDARD_TYPE_0.length;
    const riff = join_(
      ascii('RIFF'),
      Uint8Array.of(size + 12, 0, 0, 0),
      ascii('RMID'),
      ascii('data'),
      Uint8Array.of(size, 0, 0, 0),
      STANDARD_TYPE_0,
    );
    expect(readSmf(riff).file).toEqual(readSmf(STANDARD_TYPE_0).file);
    const { file, warnings } = readSmf(join_(new Uint8Array(128), STANDARD_TYPE_0));
    expect(file).toEqual(readSmf(STANDARD_TYPE_0).file);
    expect(warnings.map((warning) => warning.code)).toEqual(['leading-bytes']);
  });
});

describe('broken files', () => {
  const refused: [string, Uint8Array, SmfError['code']][] = [
    ['an empty file', new Uint8Array(), 'empty'],
    ['a text file named .mid', ascii('Dear all, here is the cue.'), 'not-midi'],
    ['a header cut short', STANDARD_TYPE_0.slice(0, 9), 'short-header'],
    ['0 ticks per quarter', join_(header(1, 1, 0), chunk(bytes('00 FF 2F 00'))), 'no-resolution'],
    ['an unknown type', join_(header(5, 1, 96), chunk(bytes('00 FF 2F 00'))), 'unknown-format'],
    ['an impossible frame rate', join_(header(0, 1, 0x9028), chunk(bytes('00 FF 2F 00'))), 'bad-smpte'],
    ['no track', header(1, 1, 96), 'no-tracks'],
  ];
  it.each(refused)('refuses %s with one sentence', (_, file, code) => {
    const error = (() => {
      try {
        return readSmf(file);
      } catch (thrown) {
        return thrown as SmfError;
      }
    })();
    expect(error).toBeInstanceOf(SmfError);
    expect((error as SmfError).code).toBe(code);
    expect((error as SmfError).message).toMatch(/^[A-Z].*\.$/s);
  });

  const note = '00 90 3C 40 60 80 3C 40';
  const mended: [string, Uint8Array, string][] = [
    [
      'a track that ends before its length',
      join_(header(0, 1, 96), chunk(bytes(`${note} 00 FF 2F 00`), 500)),
      'truncated-chunk',
    ],
    [
      'an event cut off at the end of the file',
      join_(header(0, 1, 96), chunk(bytes(`${note} 00 90 3C`), 11)),
      'truncated-event',
    ],
    ['a length too short', join_(header(0, 1, 96), chunk(bytes(`${note} 00 FF 2F 00`), 5)), 'length-too-short'],
    ['no end mark', join_(header(0, 1, 96), chunk(bytes(note))), 'no-end-of-track'],
    ['bytes after the end mark', join_(header(0, 1, 96), chunk(bytes(`${note} 00 FF 2F 00 01 02`))), 'bytes-after-end'],
    [
      'more tracks announced than there are',
      join_(header(1, 3, 96), chunk(bytes(`${note} 00 FF 2F 00`))),
      'track-count',
    ],
    [
      'a data byte out of range',
      join_(header(0, 1, 96), chunk(bytes(`${note} 00 90 80 40 00 FF 2F 00`))),
      'bad-data-byte',
    ],
    [
      'running status that goes on behind a meta event',
      join_(header(0, 1, 96), chunk(bytes('00 90 3C 40 00 FF 01 01 41 20 3C 00 00 FF 2F 00'))),
      'status-goes-on',
    ],
    ['data before any status', join_(header(0, 1, 96), chunk(bytes('00 3C 40 00 FF 2F 00'))), 'no-running-status'],
    [
      'a delta time of five bytes',
      join_(header(0, 1, 96), chunk(bytes(`${note} 81 81 81 81 01 90 3C 40`))),
      'bad-delta',
    ],
    ['a live-only message', join_(header(0, 1, 96), chunk(bytes(`00 F8 ${note} 00 FF 2F 00`))), 'realtime-skipped'],
  ];
  it.each(mended)('reads %s and says so', (_, file, code) => {
    const { warnings } = readSmf(file);
    const warning = warnings.find((candidate) => candidate.code === code);
    expect(warning, JSON.stringify(warnings)).toBeDefined();
    expect(warning!.message).toMatch(/\.$/);
  });

  it('reads all notes where running status goes on behind meta events, and says so once a track', () => {
    const again = Array.from({ length: 50 }, () => '00 FF 01 01 41 20 3C 40 20 3C 00').join(' ');
    const { file, warnings } = readSmf(
      join_(header(0, 1, 96), chunk(bytes(`00 90 3C 40 20 3C 00 ${again} 00 FF 2F 00`))),
    );
    expect(file.tracks[0]!.events.filter(({ kind }) => kind === 'channel')).toHaveLength(102);
    expect(warnings.map(({ code }) => code)).toEqual(['status-goes-on']);
  });

  it('keeps the two good events before the damage', () => {
    const { file } = readSmf(join_(header(0, 1, 96), chunk(bytes(`${note} 00 90 80 40`))));
    expect(file.tracks[0]!.events).toHaveLength(2);
  });

  it('survives 10,000 damaged files: a result or a typed error each time', () => {
    const whole = demoOriginal();
    let seed = 7;
    const random = (below: number) => (seed = (seed * 1103515245 + 12345) % 2147483648) % below;
    let read = 0;
    for (let i = 0; i < 10_000; i++) {
      const start = random(2) === 0 ? 0 : random(whole.length);
      let file =
        i % 2 === 0 ? whole.slice(0, 400 + random(600)) : join_(whole.slice(0, 14), whole.slice(start, start + 300));
      for (let damage = 0; damage <= random(6); damage++) file[random(file.length)] = random(256);
      if (random(4) === 0) file = file.slice(0, random(file.length));
      try {
        readSmf(file);
        read++;
      } catch (error) {
        if (!(error instanceof SmfError)) throw error;
      }
    }
    expect(read).toBeGreaterThan(1000);
  });
});

describe('text', () => {
  it('knows UTF-8, Latin-1 and Shift-JIS', () => {
    expect(decodeText(encodeText('Flöte ♭'))).toBe('Flöte ♭');
    expect(decodeText(Uint8Array.of(0x46, 0x6c, 0xf6, 0x74, 0x65))).toBe('Flöte');
    // ピアノ in Shift-JIS
    expect(decodeText(Uint8Array.of(0x83, 0x73, 0x83, 0x41, 0x83, 0x6d))).toBe('ピアノ');
    // Latin-1 that happens to be valid Shift-JIS.
    expect(decodeText(Uint8Array.of(0x53, 0x70, 0xe5, 0x72, 0x20, 0x31))).toBe('Spår 1');
  });
  it('takes one encoding for the whole file', () => {
    const latin1 = (text: string) => Uint8Array.from(text, (character) => character.charCodeAt(0));
    expect(guessEncoding([latin1('Bass'), latin1('Blås'), latin1('Slagverk')])).toBe('windows-1252');
    expect(guessEncoding([latin1('Bass'), encodeText('Blås')])).toBe('utf-8');
    // ドラム and ベース beside plain names; kanji alone are taken for Latin, for they leave nothing to tell them by.
    expect(
      guessEncoding([
        Uint8Array.of(0x83, 0x68, 0x83, 0x89, 0x83, 0x80),
        latin1('Piano'),
        Uint8Array.of(0x83, 0x78, 0x81, 0x5b, 0x83, 0x58),
      ]),
    ).toBe('shift_jis');
  });
  it.each(TEXT_ENCODINGS)('decodes %s', (encoding) => {
    expect(decodeText(encodeText('Piano'), encoding)).toBe('Piano');
  });
});

/** One line an event, in a form that other readers' events can be put into. */
function plain(file: SmfFile): string[][] {
  return file.tracks.map((track) =>
    track.events.map((event: SmfEvent) => {
      if (event.kind === 'channel') return `${event.tick} ${event.status} ${event.data1} ${event.data2}`;
      return event.kind === 'meta' ? `${event.tick} meta ${event.type}` : `${event.tick} sysex ${event.data.length}`;
    }),
  );
}

const META_TYPES: Record<string, number> = {
  sequenceNumber: 0,
  text: 1,
  copyrightNotice: 2,
  trackName: 3,
  instrumentName: 4,
  lyrics: 5,
  marker: 6,
  cuePoint: 7,
  channelPrefix: 0x20,
  portPrefix: 0x21,
  setTempo: 0x51,
  smpteOffset: 0x54,
  timeSignature: 0x58,
  keySignature: 0x59,
  sequencerSpecific: 0x7f,
};

/** What the npm package midi-file 1.2 reads, in the same form. */
function byMidiFile(file: Uint8Array): string[][] {
  return parseMidi(file).tracks.map((track) => {
    let tick = 0;
    return track.flatMap((event: MidiEvent) => {
      tick += event.deltaTime;
      switch (event.type) {
        case 'noteOn':
        case 'noteOff':
          return [
            `${tick} ${(event.type === 'noteOn' || event.byte9 ? 0x90 : 0x80) | event.channel} ${event.noteNumber} ${event.velocity}`,
          ];
        case 'noteAftertouch':
          return [`${tick} ${0xa0 | event.channel} ${event.noteNumber} ${event.amount}`];
        case 'controller':
          return [`${tick} ${0xb0 | event.channel} ${event.controllerType} ${event.value}`];
        case 'programChange':
          return [`${tick} ${0xc0 | event.channel} ${event.programNumber} 0`];
        case 'channelAftertouch':
          return [`${tick} ${0xd0 | event.channel} ${event.amount} 0`];
        case 'pitchBend':
          return [`${tick} ${0xe0 | event.channel} ${(event.value + 0x2000) & 0x7f} ${(event.value + 0x2000) >> 7}`];
        case 'endOfTrack':
          return [];
        case 'sysEx':
        case 'endSysEx':
          return [`${tick} sysex ${event.data.length}`];
        default:
          return [`${tick} meta ${META_TYPES[event.type] ?? (event as { metatypeByte?: number }).metatypeByte}`];
      }
    });
  });
}

describe('agreement with other readers', () => {
  it('reads the demo event for event as midi-file does', () => {
    for (const file of [demoOriginal(), demoMechanical(), STANDARD_TYPE_0, STANDARD_TYPE_1])
      expect(plain(readSmf(file).file)).toEqual(byMidiFile(file));
  });

  it('reads generated files event for event as midi-file does', () => {
    // midi-file interprets some metas' contents and gives up on impossible ones; those it takes as they are remain.
    const understood = [1, 2, 3, 5, 6, 7, 0x7f, 0x60];
    fc.assert(
      fc.property(arbitrarySmf, (arbitrary) => {
        const file: SmfFile = {
          ...arbitrary,
          headerExtra: new Uint8Array(),
          unknownChunks: [],
          tracks: arbitrary.tracks.map((track) => ({
            ...track,
            events: track.events.map((event) =>
              event.kind === 'meta' ? { ...event, type: understood[event.type % understood.length]! } : event,
            ),
          })),
        };
        const written = writeSmf(file, { runningStatus: true });
        expect(plain(readSmf(written).file)).toEqual(byMidiFile(written));
      }),
    );
  });

  const midicsv = spawnSync('which', ['midicsv']).status === 0;
  it.skipIf(!midicsv)('reads the demo event for event as Debian’s midicsv does', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'dragoman-')), 'demo.mid');
    writeFileSync(path, demoOriginal());
    const rows = execFileSync('midicsv', [path], { encoding: 'latin1' })
      .trim()
      .split('\n')
      .map((row) => row.split(', '));
    const status: Record<string, number> = {
      Note_on_c: 0x90,
      Note_off_c: 0x80,
      Control_c: 0xb0,
      Program_c: 0xc0,
      Pitch_bend_c: 0xe0,
    };
    const theirs = rows
      .filter((row) => row[2]! in status)
      .map((row) => `${row[0]} ${row[1]} ${status[row[2]!]! | Number(row[3])} ${row[4]} ${row[5] ?? 0}`);
    const ours = readSmf(demoOriginal()).file.tracks.flatMap((track, t) =>
      track.events.flatMap((event) =>
        event.kind === 'channel' ? [`${t + 1} ${event.tick} ${event.status} ${event.data1} ${event.data2}`] : [],
      ),
    );
    expect(ours).toEqual(theirs);
  });
});
