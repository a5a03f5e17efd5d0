import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import { depict } from '@/core/picture';
import {
  chanceText,
  clockText,
  dateText,
  minutesText,
  moneyText,
  PictureView,
  spoken,
  timeText,
  VerdictMark,
  waitText,
} from '.';
import { type MarkName } from './parts/VerdictMark';
import { palettes } from './theme/palette';

describe('figures for the eye', () => {
  it('never say that something is certain', () => {
    expect([chanceText(1), chanceText(0), chanceText(0.64)]).toEqual(['>99 %', '<1 %', '64 %']);
  });

  it('keep minutes, clocks and money short', () => {
    expect([minutesText(25.4), minutesText(135), minutesText(-2)]).toEqual(['25 min', '2 h 15', '0 min']);
    expect([clockText(112), clockText(5), clockText(7260)]).toEqual(['1:52', '0:05', '2 h 01']);
    expect([waitText(0.29), waitText(2.1)]).toEqual(['under 1 s', '0:02']);
    expect([moneyText(45, '£'), moneyText(1.1, '£')]).toEqual(['£45', '£1.10']);
    expect(timeText(new Date(2026, 10, 24, 14, 2).toISOString())).toBe('14:02');
  });
  it('tells times in the zone of the shop wherever the page is read, and a date as that date', () => {
    for (const [zone, time, day] of [
      ['Pacific/Auckland', '03:02', '25 Nov 2026'],
      ['America/Los_Angeles', '06:02', '24 Nov 2026'],
    ] as const) {
      vi.stubGlobal('document', { documentElement: { dataset: { zone } } });
      expect([timeText('2026-11-24T14:02:00Z'), dateText('2026-11-24T14:02:00Z')]).toEqual([time, day]);
      expect(dateText('2026-12-01')).toBe('1 Dec 2026');
    }
    vi.unstubAllGlobals();
  });
});

describe('figures for the ear', () => {
  it('say units and signs in full', () => {
    expect(spoken('Vscan -121.4 V, good is -168 V ±3 %')).toBe(
      'Vscan minus 121.4 volts, good is minus 168 volts plus or minus 3 %',
    );
    expect(spoken('R565 41.2 kΩ, C547 0.32 Ω, 12 mV')).toBe('R565 41.2 kilohms, C547 0.32 ohms, 12 millivolts');
  });
});

/** Relative luminance and contrast by WCAG 2.2. */
function contrast(one: string, other: string): number {
  const luminance = (colour: string) => {
    const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
      const level = parseInt(colour.slice(at, at + 2), 16) / 255;
      return level <= 0.04045 ? level / 12.92 : ((level + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
  };
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (light! + 0.05) / (dark! + 0.05);
}

describe.each(['light', 'dark'] as const)('the %s theme', (name) => {
  const palette = palettes[name];
  it('can be read: every ink on every ground at 4.5 to 1 or better', () => {
    const pairs = (['ink', 'soft', 'within', 'high', 'low', 'odd', 'petrol', 'copper'] as const).flatMap((ink) =>
      (['paper', 'sheet', 'field'] as const).map(
        (ground) => [ink, ground, contrast(palette[ink], palette[ground])] as const,
      ),
    );
    expect(pairs.filter(([, , ratio]) => ratio < 4.5)).toEqual([]);
    expect(contrast(palette.onPetrol, palette.petrol)).toBeGreaterThan(4.5);
    expect(contrast(palette.onCopper, palette.copper)).toBeGreaterThan(4.5);
    expect(contrast(palette.onCopper, palette.copperDeep)).toBeGreaterThan(4.5);
    expect(contrast(palette.ink, palette.copperTint)).toBeGreaterThan(4.5);
    expect(contrast(palette.ink, palette.petrolTint)).toBeGreaterThan(4.5);
  });
});

describe('marks and pictures', () => {
  it('give every verdict a shape of its own, with its name', () => {
    const names: MarkName[] = ['within', 'high', 'low', 'dead', 'odd', 'open', 'unread'];
    const drawn = names.map((mark) => renderToStaticMarkup(<VerdictMark mark={mark} />));
    const shapes = drawn.map((svg) => svg.replace(/var\(--[a-z]+\)/g, '').replace(/aria-label="[^"]*"/, ''));
    expect(new Set(shapes).size).toBe(names.length);
    expect(drawn[0]).toContain('aria-label="within"');
  });

  it('are read out once: by their title, or by the label beside them', () => {
    const picture = depict('panel', ['upper_dark']);
    expect(renderToStaticMarkup(<PictureView picture={picture} title="Upper half dark" />)).toContain(
      'aria-label="Upper half dark"',
    );
    expect(renderToStaticMarkup(<PictureView picture={picture} />)).toContain('aria-hidden="true"');
    expect(renderToStaticMarkup(<PictureView picture={depict('panel', ['brief'])} />)).toContain('on, then off');
  });
});
