import localFont from 'next/font/local';

/*
 * The packages' own style sheets declare every range of the faces; this loader declares the Latin range again because
 * it alone has the browser fetch a face with the page. A face that comes later lays the whole page out anew.
 */
const textFace = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  weight: '200 800',
  variable: '--text-face',
  adjustFontFallback: false,
  declarations: [{ prop: 'font-family', value: "'Atkinson Hyperlegible Next Variable'" }],
});

const figureFace = localFont({
  src: [
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff2',
      weight: '400',
    },
    {
      path: '../../node_modules/@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff2',
      weight: '700',
    },
  ],
  variable: '--figure-face',
  adjustFontFallback: false,
  declarations: [{ prop: 'font-family', value: "'Atkinson Hyperlegible Mono'" }],
});

/** The class of the root element that asks for them. */
export const faces = `${textFace.variable} ${figureFace.variable}`;
