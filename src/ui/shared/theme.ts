import { theme as antTheme, type ThemeConfig } from 'antd';

/** Paper and ink: every colour and font of the application. globals.css holds the same colours as CSS variables. */
export const light = {
  ink: '#1b2438',
  inkSoft: '#4d5870',
  paper: '#fbf7ec',
  desk: '#f1ede1',
  played: '#e4eaf1',
  line: '#d9d2bf',
  saffron: '#b97708',
  teal: '#1c6f6a',
  brick: '#a33b28',
};

export const dark: typeof light = {
  ink: '#e9e4d6',
  inkSoft: '#aab0bd',
  paper: '#26292f',
  desk: '#1b1e23',
  played: '#222c38',
  line: '#40454f',
  saffron: '#e0a33c',
  teal: '#5fb8b0',
  brick: '#e08570',
};

export const fonts = {
  serif: "'Alegreya', Georgia, serif",
  sans: "'Source Sans 3', 'Segoe UI', sans-serif",
  mono: "'JetBrains Mono', Menlo, monospace",
};

export function themeFor(mode: 'light' | 'dark'): ThemeConfig {
  const colour = mode === 'light' ? light : dark;
  return {
    algorithm: mode === 'light' ? antTheme.defaultAlgorithm : antTheme.darkAlgorithm,
    token: {
      colorPrimary: colour.teal,
      colorInfo: colour.teal,
      colorSuccess: colour.teal,
      colorWarning: colour.saffron,
      colorError: colour.brick,
      colorText: colour.ink,
      colorTextSecondary: colour.inkSoft,
      colorTextPlaceholder: colour.inkSoft,
      colorBgBase: mode === 'light' ? '#fffdf7' : colour.paper,
      colorBgLayout: colour.desk,
      colorBgContainer: mode === 'light' ? '#fffdf7' : colour.paper,
      colorBorder: colour.line,
      colorBorderSecondary: colour.line,
      colorLink: colour.teal,
      borderRadius: 3,
      fontFamily: fonts.sans,
      fontFamilyCode: fonts.mono,
      fontSize: 14,
      controlHeight: 30,
      controlHeightSM: 24,
      padding: 12,
      wireframe: false,
    },
    components: {
      Table: { headerBg: colour.desk, cellPaddingBlockSM: 4, rowSelectedBg: colour.played, rowHoverBg: colour.desk },
      Button: {
        primaryShadow: 'none',
        defaultShadow: 'none',
        // The lighter teal of the dark theme does not carry white.
        primaryColor: mode === 'light' ? '#fff' : colour.desk,
      },
    },
  };
}
