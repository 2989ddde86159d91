/** The faces that papers are printed in, where the build puts them. */
export const FONTS = (folder: string) => ({
  Text: {
    normal: `${folder}AtkinsonHyperlegible_400Regular.ttf`,
    bold: `${folder}AtkinsonHyperlegible_700Bold.ttf`,
    italics: `${folder}AtkinsonHyperlegible_400Regular.ttf`,
    bolditalics: `${folder}AtkinsonHyperlegible_700Bold.ttf`,
  },
});

/** The foot of each page: the caution, and which page of how many it is. */
export const footer = (foot: string) => (page: number, pages: number) => ({
  margin: [48, 12, 48, 0],
  columns: [
    { width: '*', text: foot, fontSize: 8 },
    { width: 70, text: `Page ${page} of ${pages}`, fontSize: 9, alignment: 'right' },
  ],
});
