import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { Group, Panel, Separator, useDefaultLayout } from 'react-resizable-panels';

function Handle({ label }: { label: string }) {
    return (
        <Separator aria-label={label} style={{ width: 1, outline: 0 }}>
            <Box
                sx={{
                    position: 'relative',
                    width: 1,
                    height: '100%',
                    bgcolor: 'divider',
                    '[data-separator="hover"] > &, [data-separator="active"] > &, [data-separator]:focus-visible > &': {
                        bgcolor: 'primary.main',
                        boxShadow: (t) => `0 0 0 1px ${t.palette.primary.main}`,
                    },
                }}
            />
        </Separator>
    );
}

/** Ledger, view and details side by side; their widths can be dragged and are remembered. */
export function Layout({ ledger, view, details }: { ledger: ReactNode; view: ReactNode; details: ReactNode | null }) {
    const panelIds = details ? ['ledger', 'view', 'details'] : ['ledger', 'view'];
    const layout = useDefaultLayout({ id: 'foehn-panels', panelIds, storage: localStorage, onlySaveAfterUserInteractions: true });
    return (
        <Group
            orientation="horizontal"
            defaultLayout={layout.defaultLayout}
            onLayoutChanged={layout.onLayoutChanged}
            style={{ flex: 1, minHeight: 0, minWidth: 0 }}
        >
            <Panel id="ledger" defaultSize="452px" minSize="340px" groupResizeBehavior="preserve-pixel-size">
                {ledger}
            </Panel>
            <Handle label="Width of the ledger" />
            <Panel id="view" minSize="260px">
                {view}
            </Panel>
            {details && <Handle label="Width of the details" />}
            {details && (
                <Panel id="details" defaultSize="268px" minSize="220px" maxSize="520px" groupResizeBehavior="preserve-pixel-size">
                    {details}
                </Panel>
            )}
        </Group>
    );
}
