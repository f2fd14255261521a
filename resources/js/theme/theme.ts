import { createTheme, type Theme } from '@mui/material/styles';

export type Scheme = 'light' | 'dark';

const surfaces = {
    light: { default: '#f6f4ef', paper: '#fdfcfa', line: '#ded9ce', text: '#232a2e', quiet: '#5a6166' },
    dark: { default: '#1b1f22', paper: '#23282c', line: '#3a4147', text: '#eceae4', quiet: '#c3c8cb' },
};

/** Calm, warm-neutral surfaces with one amber accent; numbers in tabular figures. */
export function makeTheme(scheme: Scheme): Theme {
    const s = surfaces[scheme];
    return createTheme({
        palette: {
            mode: scheme,
            primary: { main: scheme === 'light' ? '#8a5200' : '#f0a845', contrastText: scheme === 'light' ? '#ffffff' : '#1b1f22' },
            error: { main: scheme === 'light' ? '#b3261e' : '#f28b82' },
            warning: { main: scheme === 'light' ? '#8a5200' : '#f0b35a' },
            success: { main: scheme === 'light' ? '#1d6b50' : '#74c7a5' },
            background: { default: s.default, paper: s.paper },
            text: { primary: s.text, secondary: s.quiet },
            divider: s.line,
        },
        shape: { borderRadius: 6 },
        typography: {
            fontFamily: '"Inter Variable", system-ui, sans-serif',
            fontSize: 13,
            body1: { fontSize: 13.5 },
            body2: { fontSize: 12.5 },
            button: { textTransform: 'none', fontWeight: 550 },
        },
        components: {
            MuiCssBaseline: { styleOverrides: { body: { fontVariantNumeric: 'tabular-nums' }, 'html, body, #root': { height: '100%' } } },
            MuiButton: { defaultProps: { size: 'small', disableElevation: true } },
            // Three lengths with their units stand side by side in a narrow column.
            MuiOutlinedInput: { styleOverrides: { input: { '&.MuiInputBase-inputSizeSmall': { paddingLeft: 10, paddingRight: 10 } } } },
            MuiTooltip: { defaultProps: { arrow: true, enterDelay: 500 } },
        },
    });
}

/** The dark bar on top is the same in both schemes. */
export const bar = {
    warning: '#ffb86b',
    background: '#232f36',
    text: '#f2efe8',
    quiet: '#b9c2c6',
    track: '#33424b',
    accent: '#f0a03c',
    onAccent: '#20170a',
};
