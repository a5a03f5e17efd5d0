/** Colours by role. Both themes give every role; the style sheet and Ant Design read the same ones. */
export interface Palette {
  readonly paper: string;
  readonly sheet: string;
  readonly field: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly copper: string;
  readonly copperDeep: string;
  readonly copperTint: string;
  readonly petrol: string;
  readonly petrolTint: string;
  readonly onPetrol: string;
  readonly onCopper: string;
  readonly trough: string;
  readonly within: string;
  readonly high: string;
  readonly low: string;
  readonly odd: string;
  readonly bezel: string;
}

export type ThemeName = 'light' | 'dark';

/** Bench lamp on warm paper; and near-black for a set that runs in a dark room. */
export const palettes: Readonly<Record<ThemeName, Palette>> = {
  light: {
    paper: '#f3f0e8',
    sheet: '#fffdf8',
    field: '#ffffff',
    ink: '#1c2733',
    soft: '#56606b',
    line: '#d8d1c2',
    copper: '#a9491f',
    copperDeep: '#8d3c18',
    copperTint: '#f6e3d6',
    petrol: '#0e4a5a',
    petrolTint: '#dcebec',
    onPetrol: '#ffffff',
    onCopper: '#ffffff',
    trough: '#e9e3d6',
    within: '#2a7553',
    high: '#b0303f',
    low: '#2b55b8',
    odd: '#7c5a00',
    bezel: '#232b33',
  },
  dark: {
    paper: '#101417',
    sheet: '#171c20',
    field: '#0b0e10',
    ink: '#ece7dc',
    soft: '#a3abb0',
    line: '#333b41',
    copper: '#e08a58',
    copperDeep: '#c4733f',
    copperTint: '#3a2519',
    petrol: '#7cc3d0',
    petrolTint: '#15323a',
    onPetrol: '#062229',
    onCopper: '#221004',
    trough: '#2b3237',
    within: '#6cc79a',
    high: '#ff8d92',
    low: '#94b5ff',
    odd: '#e3bd57',
    bezel: '#39434b',
  },
};

const kebab = (role: string) => role.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

function variables(palette: Palette): string {
  return Object.entries(palette)
    .map(([role, colour]) => `--${kebab(role)}:${colour}`)
    .join(';');
}

/** Custom properties for both themes, put into the page's head once. */
export const paletteStyles = `:root{${variables(palettes.light)};color-scheme:light}:root[data-theme=dark]{${variables(palettes.dark)};color-scheme:dark}`;
