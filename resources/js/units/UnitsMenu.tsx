import ArrowDropDown from '@mui/icons-material/ArrowDropDown';
import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { usePreferences } from '../state/screen';
import { lengthUnit, nameOfUnits, speedUnit, systemOf, systems, temperatureUnit, volumeFlowUnit, withSystem, type MeasureKind, type System } from './units';

const kinds: readonly (readonly [MeasureKind, string, (system: System) => string])[] = [
    ['length', 'Lengths', lengthUnit],
    ['temperature', 'Temperatures', temperatureUnit],
    ['flow', 'Air flow, speed', (system) => `${volumeFlowUnit(system)}, ${speedUnit(system)}`],
];

/** The units of all numbers on the screen: a set at once, or each kind by itself. */
export function UnitsMenu({ colour }: { colour: string }) {
    const { units, setUnits } = usePreferences();
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    return (
        <>
            <Button
                aria-label={`Units: ${nameOfUnits(units)}`}
                aria-haspopup="menu"
                endIcon={<ArrowDropDown fontSize="small" />}
                onClick={(event) => setAnchor(event.currentTarget)}
                sx={{ color: colour, fontSize: 13, fontWeight: 400, mx: 0.5, whiteSpace: 'nowrap', '& .MuiButton-endIcon': { ml: 0 } }}
            >
                {nameOfUnits(units)}
            </Button>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                {systems.map((system) => (
                    <MenuItem
                        key={system}
                        dense
                        selected={units === system}
                        onClick={() => {
                            setUnits(system);
                            setAnchor(null);
                        }}
                    >
                        {nameOfUnits(system)}
                    </MenuItem>
                ))}
                <Box component="li" role="none" sx={{ borderTop: 1, borderColor: 'divider', mt: 0.5, pt: 1, px: 2, pb: 0.5, fontSize: 13 }}>
                    {kinds.map(([kind, title, nameOf]) => (
                        <Box key={kind} sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', gap: 3, py: 0.25 }}>
                            <Box component="span" sx={{ color: 'text.secondary' }}>
                                {title}
                            </Box>
                            <ToggleButtonGroup
                                exclusive
                                size="small"
                                value={systemOf(units, kind)}
                                aria-label={title}
                                onChange={(_event, system: System | null) => system && setUnits(withSystem(units, kind, system))}
                                sx={{ '& .MuiToggleButton-root': { py: 0.1, px: 1, textTransform: 'none' } }}
                            >
                                {systems.map((system) => (
                                    <ToggleButton key={system} value={system}>
                                        {nameOf(system)}
                                    </ToggleButton>
                                ))}
                            </ToggleButtonGroup>
                        </Box>
                    ))}
                </Box>
            </Menu>
        </>
    );
}
