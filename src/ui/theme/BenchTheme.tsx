'use client';

import { ConfigProvider, theme as antTheme, type ThemeConfig } from 'antd';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { palettes, type ThemeName } from './palette';

interface ThemeSwitch {
  readonly name: ThemeName;
  toggle(): void;
}

const ThemeContext = createContext<ThemeSwitch>({ name: 'light', toggle: () => undefined });

/** The theme in use and the way to change it. */
export const useBenchTheme = () => useContext(ThemeContext);

function tokens(name: ThemeName): ThemeConfig {
  const palette = palettes[name];
  return {
    // The server keeps the styles of both: each under its own name.
    cssVar: { key: `bench-${name}` },
    algorithm: name === 'dark' ? antTheme.darkAlgorithm : antTheme.defaultAlgorithm,
    token: {
      colorPrimary: palette.petrol,
      colorInfo: palette.petrol,
      colorSuccess: palette.within,
      colorWarning: palette.odd,
      colorError: palette.high,
      colorLink: palette.petrol,
      colorText: palette.ink,
      colorTextSecondary: palette.soft,
      colorTextPlaceholder: palette.soft,
      colorBgBase: palette.sheet,
      colorBgContainer: palette.field,
      colorBgElevated: palette.sheet,
      colorBorder: palette.line,
      borderRadius: 7,
      controlHeight: 36,
      fontSize: 14,
      fontFamily: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
      boxShadow: 'none',
      motion: false,
    },
    components: {
      Button: {
        primaryColor: palette.onPetrol,
        fontWeight: 600,
        primaryShadow: 'none',
        defaultShadow: 'none',
        defaultBorderColor: palette.petrol,
        defaultColor: palette.petrol,
        defaultBg: 'transparent',
      },
    },
  };
}

interface BenchThemeProps {
  readonly initial: ThemeName;
  /** Was a theme chosen here? Until then that of the system is followed. */
  readonly chosen: boolean;
  readonly children: ReactNode;
}

const darkSystem = '(prefers-color-scheme: dark)';

function draw(name: ThemeName, cookie: string): void {
  document.documentElement.dataset.theme = name;
  document.cookie = `${cookie}=${name};path=/;max-age=31536000;samesite=lax`;
}

/** Ant Design under the bench's own theme. What is drawn is kept in a cookie so that the server draws it at once. */
export function BenchTheme({ initial, chosen, children }: BenchThemeProps) {
  const [name, setName] = useState(initial);
  const [own, setOwn] = useState(chosen);
  useEffect(() => {
    if (own) return;
    const system = matchMedia(darkSystem);
    const follow = () => {
      const now = system.matches ? 'dark' : 'light';
      draw(now, 'tovrik-system');
      setName(now);
    };
    follow();
    system.addEventListener('change', follow);
    return () => system.removeEventListener('change', follow);
  }, [own]);
  const toggle = useCallback(() => {
    setName((current) => {
      const next = current === 'light' ? 'dark' : 'light';
      draw(next, 'tovrik-theme');
      return next;
    });
    setOwn(true);
  }, []);
  const value = useMemo(() => ({ name, toggle }), [name, toggle]);
  const config = useMemo(() => tokens(name), [name]);
  return (
    <ThemeContext value={value}>
      <ConfigProvider theme={config}>{children}</ConfigProvider>
    </ThemeContext>
  );
}
