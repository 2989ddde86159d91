/** What is used of pdfmake’s build for browsers. */
declare module 'pdfmake/build/pdfmake' {
  const pdfmake: {
    addFonts(fonts: object): void;
    createPdf(document: object): { getBlob(): Promise<Blob> };
  };
  export default pdfmake;
}
