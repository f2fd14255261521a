import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import { api } from '../api/client';
import { useResult } from '../api/queries';
import { saveFile } from '../api/saveFile';
import type { Outline } from '../api/types';
import { usePreferences } from '../state/screen';
import { useAim } from './camera/aim';
import { fieldKinds, type FieldName } from './fields/catalogue';
import type { Picture } from './layers/picture';
import { seeds } from './layers/seeds';
import { drawLegends, shownLegends } from './shown/legends';
import type { PartsLayer, SectionLayer, StreamlinesLayer } from './shown/shown';
import { useShown } from './shown/store';

/** Pixels of a saved picture for one of the page. */
const sizes = [1, 2, 4];

/** The picture with its legends, and the result on screen in open formats for other programs. */
export function ResultExport({ picture, outline }: { picture: () => Picture | null; outline: Outline }) {
    const [from, setFrom] = useState<{ anchor: HTMLElement; shown: Picture } | null>(null);
    return (
        <>
            <Tooltip title="Save the result for other programs">
                <IconButton
                    size="small"
                    aria-label="Save the result"
                    aria-haspopup="menu"
                    onClick={(event) => {
                        const shown = picture();
                        if (shown) setFrom({ anchor: event.currentTarget, shown });
                    }}
                    sx={{ borderRadius: 1 }}
                >
                    <FileDownloadOutlined fontSize="small" />
                </IconButton>
            </Tooltip>
            {from && <Choices {...from} outline={outline} onClose={() => setFrom(null)} />}
        </>
    );
}

function Choices({ anchor, shown, outline, onClose }: { anchor: HTMLElement; shown: Picture; outline: Outline; onClose: () => void }) {
    const units = usePreferences((s) => s.units);
    const layers = useShown((now) => now.layers);
    const visible = layers.filter((layer) => layer.visible);
    const { run, number: picture } = shown;
    const at = `/api/runs/${run}/pictures/${picture}`;
    const boards = useResult(run, picture).data?.electric?.boards ?? [];
    const save = (ratio: number) => {
        onClose();
        const canvas = useAim.getState().render?.(ratio);
        const context = canvas?.getContext('2d');
        if (!canvas || !context) return;
        drawLegends(context, shownLegends(visible, shown), units, ratio);
        canvas.toBlob((blob) => blob && saveFile(blob, `run-${run}.png`), 'image/png');
    };
    const coloured = visible.find((layer): layer is PartsLayer => layer.kind === 'parts')?.field ?? null;
    const streams = visible.find((layer): layer is StreamlinesLayer => layer.kind === 'streamlines');
    const saveSurfaces = async (field: FieldName) => {
        onClose();
        const [exports, rows] = await Promise.all([import('./exports'), api.bytes(`${at}/fields/surfaces`)]);
        await exports.exportColoured(shown, new Uint32Array(rows), field);
    };
    const saveStreams = async ({ from, count, back }: StreamlinesLayer) => {
        onClose();
        const sections = layers.filter((layer): layer is SectionLayer => layer.kind === 'section');
        const bytes = await api.postForBytes(`${at}/vtk/streamlines`, { seeds: seeds(from, outline, sections, count), back });
        saveFile(new Blob([bytes], { type: 'application/xml' }), `run-${run}-streamlines.vtp`);
    };
    const choices: [title: string, href: string, name: string][] = [
        ['Fields in the grid (VTK, .vtr)', `${at}/vtk/grid`, `run-${run}.vtr`],
        ['Fields at the surfaces (VTK, .vtp)', `${at}/vtk/surfaces`, `run-${run}.vtp`],
        ...boards.map(({ name }, n): [string, string, string] => [`Copper of ${name} (VTK, .vtr)`, `${at}/vtk/copper-${n}`, `run-${run}-copper-${n}.vtr`]),
        ['Result document (JSON)', `${at}/result`, `run-${run}.json`],
    ];
    return (
        <Menu anchorEl={anchor} open onClose={onClose}>
            {sizes.map((ratio) => (
                <MenuItem key={ratio} dense onClick={() => save(ratio)}>
                    Picture with legends (PNG, {ratio}×)
                </MenuItem>
            ))}
            {coloured && shown.scales.has(coloured) && (
                <MenuItem dense onClick={() => void saveSurfaces(coloured)}>
                    Surfaces in the colours of {fieldKinds[coloured].title.toLowerCase()} (glTF)
                </MenuItem>
            )}
            {streams && (
                <MenuItem dense onClick={() => void saveStreams(streams)}>
                    Streamlines (VTK, .vtp)
                </MenuItem>
            )}
            {choices.map(([title, href, name]) => (
                <MenuItem key={name} dense component="a" href={href} download={name} onClick={onClose}>
                    {title}
                </MenuItem>
            ))}
        </Menu>
    );
}
