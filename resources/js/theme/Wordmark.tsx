import { bar } from './theme';

export function Wordmark({ onDark = false }: { onDark?: boolean }) {
    return (
        <span style={{ fontWeight: 700, letterSpacing: '0.01em' }}>
            Foe<span style={{ color: onDark ? bar.accent : '#a8650a' }}>hn</span>
        </span>
    );
}
