import { inNumbers, say } from '../../words';
import { nameOf, type ClaimKind } from './kind';

/** Rate and length of WAV files, and when something is first heard in each. */
export const soundFiles: ClaimKind = {
  find: (files) =>
    files
      .filter(({ path }) => /\.wav$/i.test(path))
      .flatMap(({ path, bytes }) => {
        if (bytes.length < 44 || new TextDecoder('latin1').decode(bytes.subarray(0, 4)) !== 'RIFF') return [];
        const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
        const [channels, rate, bits] = [view.getUint16(22, true), view.getUint32(24, true), view.getUint16(34, true)];
        const frame = (channels * bits) / 8;
        if (frame === 0 || rate === 0 || bits !== 16) return [];
        const length = Math.floor((bytes.length - 44) / frame);
        const first = firstHeard(view, length, channels);
        const seconds = Math.round((length / rate) * 1000) / 1000;
        return [
          {
            about: [path],
            facts: {
              rate,
              channels,
              seconds,
              begins: first === null ? null : Math.round((first / rate) * 1000) / 1000,
            },
          },
        ];
      }),
  says: ({ rate, channels, seconds, begins }, [path]) =>
    say('verify.nameOfWAVRateKHzChannelSecondsS', {
      nameOf: nameOf(path),
      rate: Number(rate) / 1000,
      channels: Number(channels),
      seconds: inNumbers(Number(seconds), 3),
      begins: begins === null,
      begins2: inNumbers(Number(begins), 3),
    }),
};

/** Two steps of sixteen bits are heard. */
function firstHeard(view: DataView, length: number, channels: number): number | null {
  for (let i = 0; i < length; i++)
    for (let c = 0; c < channels; c++) if (Math.abs(view.getInt16(44 + 2 * (i * channels + c), true)) > 2) return i;
  return null;
}
