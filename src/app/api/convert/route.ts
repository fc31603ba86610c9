import { plainToInstance } from 'class-transformer';
import { IsIn, IsOptional, validateSync } from 'class-validator';
import 'reflect-metadata';
import { fileNameOf, isScoreFile, toCleanMidi, USUAL_DIRECTION_B } from '@/core/job';
import { compressMusicXml, writeMusicXml } from '@/core/musicxml';
import { performanceFromSmf } from '@/core/performance';
import { readSmf } from '@/core/smf';
import { NO_SETTINGS, toScore } from '@/core/to-score';
import { PRESETS, type Preset } from '@/core/to-sequencer';

export const runtime = 'nodejs';

const MOST_BYTES = 64 * 2 ** 20;

class ConvertRequest {
  @IsIn(['to-score', 'to-midi']) direction!: 'to-score' | 'to-midi';
  @IsOptional() @IsIn(PRESETS) carry?: Preset;
  @IsOptional() @IsIn(['musicxml', 'mxl']) format?: 'musicxml' | 'mxl';
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
    if (asked.direction === 'to-midi')
      return answer(
        toCleanMidi(bytes, { ...USUAL_DIRECTION_B, preset: asked.carry ?? 'bare' }).files[0]!.bytes,
        `${name}.mid`,
        'audio/midi',
      );
    if (isScoreFile(bytes)) return sentence(`${file.name} is a score already; ask for “to-midi”.`, 422);
    const text = writeMusicXml(toScore(performanceFromSmf(readSmf(bytes)), NO_SETTINGS).printed);
    return asked.format === 'mxl'
      ? answer(compressMusicXml(text), `${name}.mxl`, 'application/vnd.recordare.musicxml')
      : answer(new TextEncoder().encode(text), `${name}.musicxml`, 'application/vnd.recordare.musicxml+xml');
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
