import type { BoardCopper } from '../api/types';
import { fromBase64 } from '../model/base64';

/** Share of each pixel that is copper, 0 to 255, and the number of its net from 1, 0 for none. */
export const decoded = ({ copper, net }: BoardCopper): { copper: Uint8Array; net: Uint16Array } => ({
    copper: new Uint8Array(fromBase64(copper)),
    net: new Uint16Array(fromBase64(net)),
});
