import { plainToInstance } from 'class-transformer';
import { IsIn, IsOptional, validateSync } from 'class-validator';
import 'reflect-metadata';
import { fileNameOf } from '@/core/documents';
import { isScoreFile, SCORE_FORMAT_NAMES, SCORE_FORMATS, type ScoreFormat } from '@/core/engine';
import { PRESETS, type Preset } from '@/core/settings';
import { compute } from '@/server/pool';
import { answered, guarded, sentence } from '@/server/routes';

export const runtime = 'nodejs';

const MOST_BYTES = 64 * 2 ** 20;
/** What a form adds to its file. */
const FORM_BYTES = 2 ** 16;

class ConvertRequest {
  @IsIn(['to-score', 'to-midi']) direction!: 'to-score' | 'to-midi';
  @IsOptional() @IsIn(PRESETS) carry?: Preset;
  @IsOptional() @IsIn(SCORE_FORMAT_NAMES) format?: ScoreFormat;
}

/**
 * Conversion for scripts on this machine: multipart with `file`, `direction` (to-score, to-midi) and, as wished,
 * `carry` or `format`; the file comes back. Errors are JSON with one sentence.
 */
export const POST = guarded('multipart/form-data', MOST_BYTES + FORM_BYTES, async (request) => {
  let form: FormData;
  try {
    form = await request.formData();
  } catch {
    return sentence('Send multipart form data with a file and a direction.', 400);
  }
  const file = form.get('file');
  if (!(file instanceof File)) return sentence('There is no file in the request: put it in the field “file”.', 400);
  if (file.size > MOST_BYTES)
    return sentence(
      `The file has ${Math.round(file.size / 2 ** 20)} MiB; at most 64 MiB can be converted here. Use the command line for larger ones.`,
      413,
    );
  const asked = plainToInstance(
    ConvertRequest,
    Object.fromEntries([...form].filter(([, value]) => typeof value === 'string')),
  );
  if (validateSync(asked, { whitelist: true, forbidNonWhitelisted: true }).length > 0)
    return sentence(
      'Say “direction” (to-score or to-midi); “carry” (bare, expression, everything) and “format” (musicxml, mxl) may be added.',
      400,
    );
  const bytes = new Uint8Array(await file.arrayBuffer());
  const named = file.name.slice(0, 200);
  const name = fileNameOf(named.replace(/\.[^.]+$/, ''));
  const otherwise = `${named} could not be converted; nothing was stored.`;
  if (asked.direction === 'to-midi') {
    const preset = asked.carry ?? 'bare';
    const out = { type: 'audio/midi', fileName: `${name}.mid` };
    return answered(() => compute({ kind: 'to-midi', bytes, preset }), out, otherwise, `${named}: `);
  }
  if (isScoreFile(bytes)) return sentence(`${named} is a score already; ask for “to-midi”.`, 422);
  const format = asked.format ?? 'musicxml';
  const out = { type: SCORE_FORMATS[format].mediaType, fileName: `${name}.${format}` };
  return answered(() => compute({ kind: 'to-score', bytes, format }), out, otherwise, `${named}: `);
});
