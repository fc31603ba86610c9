import { plainToInstance } from 'class-transformer';
import { IsIn, IsOptional, Matches, validateSync } from 'class-validator';
import 'reflect-metadata';
import { fileNameOf } from '@/core/documents';
import {
  isScoreFile,
  MUSICXML_VERSIONS,
  SCORE_FORMAT_NAMES,
  SCORE_FORMATS,
  type MusicXmlVersion,
  type ScoreFormat,
} from '@/core/engine';
import { EXTRACTS, type ExtractKind } from '@/core/extracts';
import { MARKS_OUT, type MarksOut } from '@/core/score';
import { PRESETS, type Preset } from '@/core/settings';
import { compute } from '@/server/pool';
import { answered, guarded, sentence, tooLarge } from '@/server/routes';
import { say } from '@/core/words';

export const runtime = 'nodejs';

const MOST_BYTES = 64 * 2 ** 20;
/** What a form adds to its file. */
const FORM_BYTES = 2 ** 16;

const DIRECTIONS = ['to-score', 'to-midi', 'tempo-map'] as const;
/** Of a form, where everything is text. */
const COUNT = /^\d{1,5}$/;

class ConvertRequest {
  @IsIn(DIRECTIONS) direction!: (typeof DIRECTIONS)[number];
  @IsOptional() @IsIn(PRESETS) carry?: Preset;
  @IsOptional() @IsIn(SCORE_FORMAT_NAMES) format?: ScoreFormat;
  @IsOptional() @IsIn(MUSICXML_VERSIONS) musicxml?: MusicXmlVersion;
  @IsOptional() @IsIn(MARKS_OUT) marks?: MarksOut;
  @IsOptional() @IsIn(EXTRACTS.map(({ kind }) => kind)) extract?: ExtractKind;
  @IsOptional() @IsIn(['yes', 'no']) click?: string;
  @IsOptional() @Matches(/^(1[0-6]|\d)$/) countIn?: string;
  @IsOptional() @Matches(/^(1000|\d{1,3})(\.\d{1,3})?$/) tolerance?: string;
  @IsOptional() @Matches(COUNT) barOne?: string;
  @IsOptional() @IsIn(['map', 'table']) give?: string;
}

/**
 * Conversion for scripts on this machine: multipart with `file`, `direction` (to-score, to-midi, tempo-map) and, as wished,
 * `carry`, `format` or what a map shall hold; the file comes back. Errors are JSON with one sentence.
 */
export const POST = guarded('multipart/form-data', MOST_BYTES + FORM_BYTES, async (request) => {
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    return sentence(say('server.sendForm'), 400);
  }
  const file = form.get('file');
  if (!(file instanceof File)) return sentence(say('server.noFile'), 400);
  if (file.size > MOST_BYTES) return sentence(tooLarge(file.size, MOST_BYTES), 413);
  const asked = plainToInstance(
    ConvertRequest,
    Object.fromEntries([...form].filter(([, value]) => typeof value === 'string')),
  );
  if (validateSync(asked, { whitelist: true, forbidNonWhitelisted: true }).length > 0)
    return sentence(say('server.fields'), 400);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const named = file.name.slice(0, 200);
  const name = fileNameOf(named.replace(/\.[^.]+$/, ''));
  const otherwise = say('server.notConverted', { file: named });
  if (asked.direction === 'tempo-map') {
    const table = asked.give === 'table';
    const map = {
      click: asked.click === 'yes',
      countIn: Number(asked.countIn ?? 0),
      tolerance: Number(asked.tolerance ?? 0),
      barOne: asked.barOne ? Math.max(1, Number(asked.barOne)) : null,
      table,
    };
    const out = table
      ? { type: 'text/csv; charset=utf-8', fileName: `${name} - map.csv` }
      : { type: 'audio/midi', fileName: `${name} - map.mid` };
    return answered(() => compute({ kind: 'tempo-map', bytes, map }), out, otherwise, `${named}: `);
  }
  if (asked.direction === 'to-midi') {
    const preset = asked.carry ?? 'bare';
    const out = { type: 'audio/midi', fileName: `${name}.mid` };
    return answered(() => compute({ kind: 'to-midi', bytes, preset }), out, otherwise, `${named}: `);
  }
  if (isScoreFile(bytes)) return sentence(say('server.scoreAlready', { file: named }), 422);
  const format = asked.format ?? 'musicxml';
  const out = { type: SCORE_FORMATS[format].mediaType, fileName: `${name}.${format}` };
  return answered(
    () =>
      compute({ kind: 'to-score', bytes, format, version: asked.musicxml, marks: asked.marks, extract: asked.extract }),
    out,
    otherwise,
    `${named}: `,
  );
});
