import { CanvasTexture, SRGBColorSpace } from 'three';

/** What marks are drawn in: control, points, pole and instrument, apart in grey as well as in colour. */
export const INK = { line: '#1f1c17', ground: '#ffffff', blue: '#1f5fa8', red: '#b3261e', green: '#2f6b3a' } as const;

/** ring: a spot to be touched; chosen: the same, taken; found: where a point would be; in, before, behind: a shot on a face. */
export type Look = 'ring' | 'chosen' | 'found' | 'in' | 'before' | 'behind';

/** Apart by shape as well as by colour: in is a disc, before a triangle that points up, behind one that points down. */
const FILLS: Record<Look, string> = {
    ring: INK.ground,
    chosen: INK.blue,
    found: INK.blue,
    in: INK.green,
    before: INK.blue,
    behind: INK.red,
};

const drawn = new Map<Look, CanvasTexture>();

/** Drawn once for all. */
export function sprite(look: Look): CanvasTexture {
    const known = drawn.get(look);
    if (known) {
        return known;
    }
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 64;
    const pen = canvas.getContext('2d');
    if (pen) {
        pen.lineWidth = 8;
        pen.strokeStyle = INK.line;
        pen.fillStyle = FILLS[look];
        pen.beginPath();
        if (look === 'found') {
            pen.rect(8, 8, 48, 48);
        } else if (look === 'before' || look === 'behind') {
            const [tip, foot] = look === 'before' ? [8, 54] : [56, 10];
            pen.moveTo(32, tip);
            pen.lineTo(58, foot);
            pen.lineTo(6, foot);
            pen.closePath();
        } else {
            pen.arc(32, 32, 24, 0, 2 * Math.PI);
        }
        pen.fill();
        pen.stroke();
    }
    const texture = new CanvasTexture(canvas);
    texture.colorSpace = SRGBColorSpace;
    drawn.set(look, texture);
    return texture;
}
