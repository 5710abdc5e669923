import { darkTheme, type GlobalThemeOverrides } from 'naive-ui';

/** The roles of colours; components take them as CSS variables and never write a colour of their own. */
interface Roles {
  ink: string;
  muted: string;
  ground: string;
  surface: string;
  raised: string;
  line: string;
  /** Between rows, where lines are many. */
  hair: string;
  /** Borders of controls: lighter than text, and still seen by everybody. */
  control: string;
  petrol: string;
  petrolSoft: string;
  onPetrol: string;
  brass: string;
  moss: string;
  rust: string;
  /** Behind what floats. */
  shade: string;
  /** What stays paper in both themes: pages of sites, the map, code. */
  page: string;
  pageInk: string;
  pageMuted: string;
  mapType: string;
  mapTaxonomy: string;
  mapGroup: string;
}

const paper = {
  page: '#FFFFFF',
  pageInk: '#10242B',
  pageMuted: '#51656C',
  mapType: '#E3EEEF',
  mapTaxonomy: '#ECE8F4',
  mapGroup: '#F4ECDC',
};

const light: Roles = {
  ink: '#10242B',
  muted: '#51656C',
  ground: '#F2F5F4',
  surface: '#FFFFFF',
  raised: '#FFFFFF',
  line: '#D5DEDC',
  hair: '#E6ECEA',
  control: '#7C8F92',
  petrol: '#1D5A6B',
  petrolSoft: '#E3EEEF',
  onPetrol: '#FFFFFF',
  brass: '#8A580E',
  moss: '#2F6F4A',
  rust: '#A63A24',
  shade: 'rgb(16 36 43 / 40%)',
  ...paper,
};

const dark: Roles = {
  ink: '#E4ECEA',
  muted: '#A3B5B8',
  ground: '#0F1A1E',
  surface: '#162429',
  raised: '#1C2D33',
  line: '#31464D',
  hair: '#263A41',
  control: '#6F878D',
  petrol: '#7FC4D6',
  petrolSoft: '#1E3A43',
  onPetrol: '#0F1A1E',
  brass: '#E0AC5A',
  moss: '#83C79F',
  rust: '#F0917B',
  shade: 'rgb(0 0 0 / 60%)',
  ...paper,
};

const TEXT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";
const MONO = "'Atkinson Hyperlegible Mono Variable', ui-monospace, monospace";

export function variables(isDark: boolean): Record<string, string> {
  const roles = isDark ? dark : light;
  return Object.fromEntries(
    Object.entries(roles).map(([name, colour]) => [
      `--${name.replace(/[A-Z]/g, (letter) => '-' + letter.toLowerCase())}`,
      colour,
    ]),
  );
}

export function overrides(isDark: boolean): GlobalThemeOverrides {
  const roles = isDark ? dark : light;
  const control = {
    border: `1px solid ${roles.control}`,
    borderHover: `1px solid ${roles.petrol}`,
    borderFocus: `1px solid ${roles.petrol}`,
    borderActive: `1px solid ${roles.petrol}`,
    borderDisabled: `1px solid ${roles.line}`,
    boxShadowFocus: `0 0 0 1px ${roles.petrol}`,
    boxShadowActive: `0 0 0 1px ${roles.petrol}`,
  };
  return {
    common: {
      fontFamily: TEXT,
      fontFamilyMono: MONO,
      fontSize: '14px',
      lineHeight: '20px',
      borderRadius: '4px',
      primaryColor: roles.petrol,
      primaryColorHover: roles.petrol,
      primaryColorPressed: roles.petrol,
      primaryColorSuppl: roles.petrol,
      textColorBase: roles.ink,
      textColor1: roles.ink,
      textColor2: roles.ink,
      textColor3: roles.muted,
      bodyColor: roles.ground,
      cardColor: roles.surface,
      modalColor: roles.raised,
      popoverColor: roles.raised,
      borderColor: roles.line,
      dividerColor: roles.line,
      errorColor: roles.rust,
      warningColor: roles.brass,
      successColor: roles.moss,
      heightSmall: '28px',
      heightMedium: '32px',
      heightLarge: '36px',
      inputColor: roles.surface,
      inputColorDisabled: roles.ground,
      placeholderColor: roles.muted,
      placeholderColorDisabled: roles.muted,
      textColorDisabled: roles.muted,
      iconColor: roles.muted,
      hoverColor: roles.petrolSoft,
      boxShadow2: '0 4px 16px rgb(16 36 43 / 16%)',
    },
    Input: control,
    InternalSelection: { ...control, arrowColor: roles.muted },
    Checkbox: { border: `1px solid ${roles.control}`, borderFocus: `1px solid ${roles.petrol}` },
    Radio: { boxShadow: `inset 0 0 0 1px ${roles.control}`, buttonBorderColor: roles.control },
    Upload: { draggerBorder: `1px dashed ${roles.control}`, draggerColor: 'transparent' },
    Button: {
      textColorPrimary: roles.onPetrol,
      textColorHoverPrimary: roles.onPetrol,
      textColorPressedPrimary: roles.onPetrol,
      textColorFocusPrimary: roles.onPetrol,
      textColorDisabledPrimary: roles.onPetrol,
    },
    Tabs: { tabTextColorLine: roles.muted },
    Progress: { fillColor: roles.petrol },
  };
}

export const naiveTheme = (isDark: boolean) => (isDark ? darkTheme : null);
