import { say } from '../../words';
import { nameOf, type ClaimKind } from './kind';

/** Pages of a PDF. */
export const pages: ClaimKind = {
  find: (files) =>
    files
      .filter(({ path }) => /\.pdf$/i.test(path))
      .flatMap(({ path, bytes }) => {
        const text = new TextDecoder('latin1').decode(bytes);
        const count = (text.match(/\/Type\s*\/Page\b(?!s)/g) ?? []).length;
        return text.startsWith('%PDF-') && count > 0 ? [{ about: [path], facts: { pages: count } }] : [];
      }),
  says: ({ pages: count }, [path]) => say('verify.nameOfPDFOfPage', { nameOf: nameOf(path), count: Number(count) }),
};
