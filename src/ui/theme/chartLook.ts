import { type ApexOptions } from 'apexcharts';
import { palettes, type ThemeName } from './palette';

/** What all charts have in common: our colours and letters, no tools around them, nothing that moves by itself. */
export const chartLook = (name: ThemeName): ApexOptions => ({
  chart: {
    animations: { enabled: false },
    toolbar: { show: false },
    zoom: { enabled: false },
    background: 'none',
    fontFamily: 'inherit',
  },
  theme: { mode: name },
  grid: { borderColor: palettes[name].line },
});
