import pdfmake from 'pdfmake/build/pdfmake';
import { FONTS, footer } from './printer';

/** A paper to be printed: what `printedPaper` made of it. */
type Printed = Readonly<Record<string, unknown>> & { readonly foot: string };

pdfmake.addFonts(FONTS(`${self.location.origin}/fonts/`));

self.onmessage = ({ data }: MessageEvent<Printed>) => {
  const { foot, ...document } = data;
  pdfmake
    .createPdf({ ...document, footer: footer(foot) })
    .getBlob()
    .then(
      (pdf: Blob) => self.postMessage({ pdf }),
      (error: Error) => self.postMessage({ why: error.message }),
    );
};
