import FileDownloadOutlined from '@mui/icons-material/FileDownloadOutlined';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Skeleton from '@mui/material/Skeleton';
import { useTheme } from '@mui/material/styles';
import type { ECElementEvent, EChartsCoreOption, EChartsType } from 'echarts/core';
import { useEffect, useRef, useState } from 'react';
import { saveFile } from '../api/saveFile';
import { fileName, saveTable, type Cells } from './table';

export interface ChartProps {
    label: string;
    option: EChartsCoreOption;
    height: number;
    /** The numbers as a table, the first row its head. */
    table: () => Cells;
    onClick?: (event: ECElementEvent) => void;
    /** What is under the pointer; null once nothing is. */
    onHover?: (event: ECElementEvent | null) => void;
    /** A place within the axes that was clicked, in their numbers. */
    onPlace?: ((x: number) => void) | undefined;
}

/** A chart in the look of the application, saved as a picture or as its numbers. The package that draws it is fetched when the first one is shown. */
export function Chart({ label, option, height, table, onClick, onHover, onPlace }: ChartProps) {
    const { palette, typography } = useTheme();
    const host = useRef<HTMLDivElement>(null);
    const [chart, setChart] = useState<EChartsType | null>(null);
    const [anchor, setAnchor] = useState<HTMLElement | null>(null);
    useEffect(() => {
        let made: EChartsType | null = null;
        let gone = false;
        let asked = false;
        // Made once there is room for it, so that it has its true size from the start.
        const fit = new ResizeObserver(() => {
            made?.resize();
            if (asked || !host.current?.clientWidth) return;
            asked = true;
            void import('./echarts').then(({ init }) => {
                if (gone || !host.current) return;
                made = init(host.current);
                setChart(made);
            });
        });
        if (host.current) fit.observe(host.current);
        return () => {
            gone = true;
            fit.disconnect();
            made?.dispose();
        };
    }, []);
    useEffect(() => {
        chart?.setOption(
            {
                animation: false,
                textStyle: { fontFamily: typography.fontFamily, color: palette.text.primary },
                aria: { enabled: true, label: { description: label } },
                ...option,
            },
            { notMerge: true },
        );
    }, [chart, option, label, palette, typography]);
    useEffect(() => {
        if (!chart || !onClick) return;
        chart.on('click', onClick);
        return () => void chart.off('click', onClick);
    }, [chart, onClick]);
    useEffect(() => {
        if (!chart || !onHover) return;
        const leave = () => onHover(null);
        chart.on('mouseover', onHover);
        chart.on('mouseout', leave);
        return () => {
            chart.off('mouseover', onHover);
            chart.off('mouseout', leave);
        };
    }, [chart, onHover]);
    useEffect(() => {
        if (!chart || !onPlace) return;
        const click = ({ offsetX, offsetY }: { offsetX: number; offsetY: number }) => {
            if (!chart.containPixel('grid', [offsetX, offsetY])) return;
            const x = chart.convertFromPixel('grid', [offsetX, offsetY])[0];
            if (x !== undefined) onPlace(x);
        };
        chart.getZr().on('click', click);
        return () => void chart.getZr()?.off('click', click);
    }, [chart, onPlace]);
    return (
        <Box component="figure" aria-label={label} sx={{ m: 0, position: 'relative' }}>
            {!chart && <Skeleton variant="rectangular" height={height} sx={{ borderRadius: 1, position: 'absolute', inset: 0 }} />}
            <Box ref={host} sx={{ height }} />
            <IconButton
                size="small"
                aria-label={`Save ${label}`}
                aria-haspopup="menu"
                onClick={(e) => setAnchor(e.currentTarget)}
                sx={{ position: 'absolute', right: 0, top: 0, opacity: 0.75 }}
            >
                <FileDownloadOutlined sx={{ fontSize: 16 }} />
            </IconButton>
            <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
                <MenuItem
                    dense
                    onClick={() => {
                        setAnchor(null);
                        const url = chart?.getDataURL({ pixelRatio: 2, backgroundColor: palette.background.paper });
                        if (url) void fetch(url).then(async (answer) => saveFile(await answer.blob(), `${fileName(label)}.png`));
                    }}
                >
                    Picture (PNG)
                </MenuItem>
                <MenuItem
                    dense
                    onClick={() => {
                        setAnchor(null);
                        saveTable(label, table());
                    }}
                >
                    Numbers (CSV)
                </MenuItem>
            </Menu>
        </Box>
    );
}
