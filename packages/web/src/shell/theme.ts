import { createTheme } from '@mui/material/styles';

const type = { fontFamily: "'IBM Plex Sans', system-ui, sans-serif", fontSize: 13 };

/** MUI's palette in the colours of tokens.css, so that its controls and our own drawing are of one family. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-theme="%s"]' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#12505B', contrastText: '#FFFDF8' },
        secondary: { main: '#7A5718' },
        error: { main: '#A1343C' },
        warning: { main: '#A85E08' },
        success: { main: '#3D6B3B' },
        background: { default: '#F4EFE3', paper: '#FFFDF8' },
        text: { primary: '#20262B', secondary: '#5B6066' },
        divider: '#DED5C2',
      },
    },
    dark: {
      palette: {
        primary: { main: '#7FC0C6', contrastText: '#10282C' },
        secondary: { main: '#D9B778' },
        error: { main: '#E58B8B' },
        warning: { main: '#E0A04A' },
        success: { main: '#8FC28A' },
        background: { default: '#15191B', paper: '#1D2326' },
        text: { primary: '#ECE6D8', secondary: '#A9ABA5' },
        divider: '#343B3D',
      },
    },
  },
  typography: { ...type, button: { textTransform: 'none', fontWeight: 600, letterSpacing: 0 } },
  shape: { borderRadius: 7 },
  transitions: { duration: { shortest: 80, shorter: 90, short: 100, standard: 120, complex: 150, enteringScreen: 100, leavingScreen: 80 } },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { size: 'small', variant: 'outlined', disableElevation: true },
      styleOverrides: {
        root: { fontSize: 12.5, lineHeight: 1.4, padding: '4px 11px', minWidth: 0, whiteSpace: 'nowrap' },
        outlined: {
          borderColor: 'var(--rule-strong)',
          color: 'var(--ink)',
          background: 'var(--sheet)',
          '&:hover': { background: 'var(--sea-tint)', borderColor: 'var(--sea)' },
        },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiMenu: { styleOverrides: { paper: { border: '1px solid var(--rule-strong)', marginTop: 4, maxHeight: 420 } } },
    MuiMenuItem: { styleOverrides: { root: { fontSize: 13, minHeight: 30, paddingTop: 3, paddingBottom: 3 } } },
    MuiAutocomplete: {
      styleOverrides: {
        paper: { border: '1px solid var(--rule-strong)', marginTop: 2, fontSize: 13 },
        option: { fontSize: 13, lineHeight: 1.35, paddingTop: 4, paddingBottom: 4 },
        noOptions: { fontSize: 13 },
      },
    },
    MuiDialog: { styleOverrides: { paper: { border: '1px solid var(--rule-strong)' } } },
    MuiDialogTitle: { styleOverrides: { root: { fontFamily: 'var(--serif)', fontWeight: 600, fontSize: 18 } } },
    MuiTooltip: { styleOverrides: { tooltip: { fontSize: 12, background: '#20262B', color: '#FFFDF8' } } },
    // What is held is still read: it stands in the second ink, not in a faint one.
    MuiInputBase: { styleOverrides: { input: { '&.Mui-disabled': { color: 'var(--ink-second)', WebkitTextFillColor: 'var(--ink-second)' } } } },
    MuiInputLabel: { styleOverrides: { root: { '&.Mui-disabled': { color: 'var(--ink-second)' } } } },
    MuiFormHelperText: { styleOverrides: { root: { '&.Mui-disabled': { color: 'var(--ink-second)' } } } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiSelect: { defaultProps: { size: 'small' } },
  },
});
