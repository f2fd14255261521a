import ArrowDropDown from '@mui/icons-material/ArrowDropDown';
import ButtonBase from '@mui/material/ButtonBase';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { bar } from '../theme/theme';
import type { Variants } from './useVariants';

/** The name of the variant on screen, and what can be done with it. */
export function VariantMenu({ variants }: { variants: Variants }) {
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    const { list, current, mayEdit, show, move } = variants;
    const item = (label: string, action: () => void, disabled = false) => (
        <MenuItem
            key={label}
            dense
            disabled={disabled}
            onClick={() => {
                setAnchor(null);
                action();
            }}
        >
            {label}
        </MenuItem>
    );
    return (
        <>
            <ButtonBase
                aria-haspopup="menu"
                aria-label={`Variant ${current.name}`}
                title={current.note || undefined}
                onClick={(event) => setAnchor(event.currentTarget)}
                sx={{
                    font: 'inherit',
                    fontSize: 13,
                    color: bar.text,
                    borderRadius: 0.5,
                    maxWidth: 200,
                    '&.Mui-focusVisible': { outline: `1px solid ${bar.accent}` },
                }}
            >
                <span style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>{current.name}</span>
                <ArrowDropDown sx={{ color: bar.quiet }} fontSize="small" />
            </ButtonBase>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {mayEdit && item('Clone…', () => show('clone'))}
                {mayEdit && item('Name and note…', () => show('rename'))}
                {mayEdit && list.length > 1 && item('Move left', () => move(-1), list[0] === current)}
                {mayEdit && list.length > 1 && item('Move right', () => move(1), list.at(-1) === current)}
                {mayEdit && <Divider />}
                {item('Differences…', () => show('differences'))}
                {item('Revisions…', () => show('history'))}
                {mayEdit && item('New study…', () => show('study'))}
                {mayEdit && item('Thermal impedance…', () => show('impedance'))}
                {mayEdit && <Divider />}
                {mayEdit && item('Delete', () => show('delete'), list.length < 2)}
                {mayEdit && item('Deleted variants…', () => show('deleted'))}
            </Menu>
        </>
    );
}
