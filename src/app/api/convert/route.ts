import { plainToInstance } from 'class-transformer';
import { IsIn, IsOptional, validateSync } from 'class-validator';
import 'reflect-metadata';
import { fileNameOf } from '@/core/documents';
import {
  isScoreFile,
  SCORE_FORMAT_NAMES,
  SCORE_FORMATS,
  ScoreDesk,
  SequenceDesk,
  type ScoreFormat,
} from '@/core/engine';
import { NO_SETTINGS, PRESETS, USUAL_DIRECTION_B, type DirectionB, type Preset } from '@/core/settings';

export const runtime = 'nodejs';

const MOST_BYTES = 64 * 2 ** 20;

class ConvertRequest {
  @IsIn(['to-score', 'to-midi']) direction!: 'to-score' | 'to-midi';
  @IsOptional() @IsIn(PRESETS) carry?: Preset;
  @IsOptional() @IsIn(SCORE_FORMAT_NAMES) format?: ScoreFormat;
}

/**
 * Conversion for scripts on this machine: multipart with `file`, `direction` (to-score, to-midi) and, as wished,
 * `carry` or `format`; the file comes back. Errors are JSON with one sentence.
 */
export async function POST(request: Request): Promise<Response> {
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
  const name = fileNameOf(file.name.replace(/\.[^.]+$/, ''));
  try {
    if (asked.direction === 'to-midi') {
      const settings: DirectionB = { ...USUAL_DIRECTION_B, preset: asked.carry ?? 'bare' };
      return answer(SequenceDesk.open(bytes).files(settings).files[0]!.bytes, `${name}.mid`, 'audio/midi');
    }
    if (isScoreFile(bytes)) return sentence(`${file.name} is a score already; ask for “to-midi”.`, 422);
    const format = asked.format ?? 'musicxml';
    const desk = ScoreDesk.open([bytes], NO_SETTINGS);
    desk.convert(NO_SETTINGS);
    return answer(desk.export(format), `${name}.${format}`, SCORE_FORMATS[format].mediaType);
  } catch (error) {
    const { name: kind, message } = error as Error;
    if (kind === 'SmfError' || kind === 'MusicXmlError') return sentence(`${file.name}: ${message}`, 422);
    return sentence(`${file.name} could not be converted; nothing was stored.`, 500);
  }
}

function answer(bytes: Uint8Array, fileName: string, type: string): Response {
  return new Response(bytes as BodyInit, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`,
    },
  });
}

function sentence(error: string, status: number): Response {
  return Response.json({ error }, { status });
}
