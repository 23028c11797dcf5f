import ImageLayer from 'ol/layer/Image';
import type Projection from 'ol/proj/Projection';
import ImageCanvasSource from 'ol/source/ImageCanvas';
import type { SurfaceMesh } from './surfaceMesh';
import type { Band } from './surfacePicture';
import { type Bands, fallsOf, heightsOf, paintBands, paintEdges, type SurfaceLook, slopesOf } from './surfacePicture';

/** A surface that is drawn, and what it is held against where its cut and fill are shown. */
export interface DrawnSurface {
    mesh: SurfaceMesh;
    look: SurfaceLook;
    bands: readonly Band[];
    against: SurfaceMesh | null;
    /** metres added to what it is held against */
    verticalOffset: number;
}

const ARROWS_EVERY = 72;

/** Surfaces, painted pixel by pixel: so many triangles are drawn at the pace of the hand, and kept while the plan is only moved. */
export class SurfaceLayer {
    readonly layer: ImageLayer<ImageCanvasSource>;
    private drawn: readonly DrawnSurface[] = [];
    private readonly source: ImageCanvasSource;

    constructor(
        projection: Projection,
        private readonly ink: () => { ink: string; paper: string },
    ) {
        this.source = new ImageCanvasSource({
            projection,
            ratio: 1.4,
            canvasFunction: (extent, resolution, pixelRatio, size) => this.paint(extent, resolution / pixelRatio, size),
        });
        this.layer = new ImageLayer({ source: this.source, zIndex: 0 });
    }

    show(drawn: readonly DrawnSurface[]): void {
        this.drawn = drawn;
        this.source.changed();
    }

    /** The theme has changed. */
    repaint(): void {
        this.source.changed();
    }

    private paint(extent: number[], resolution: number, [width = 1, height = 1]: number[]): HTMLCanvasElement {
        const canvas = document.createElement('canvas');
        canvas.width = Math.max(1, Math.round(width));
        canvas.height = Math.max(1, Math.round(height));
        const context = canvas.getContext('2d');
        if (!context || this.drawn.length === 0) {
            return canvas;
        }
        const sheet = {
            west: extent[0] ?? 0,
            north: extent[3] ?? 0,
            resolution: ((extent[2] ?? 0) - (extent[0] ?? 0)) / canvas.width || resolution,
            width: canvas.width,
            height: canvas.height,
        };
        const image = context.createImageData(canvas.width, canvas.height);
        const arrows: ReturnType<typeof fallsOf> = [];
        for (const one of this.drawn) {
            const heights = one.look.bands !== 'none' || one.look.arrows ? heightsOf(one.mesh, sheet) : null;
            if (heights && one.look.bands !== 'none') {
                paintBands(image.data, this.values(one.look.bands, heights, one, sheet), canvas.width, one.bands);
            }
            if (one.look.triangles) {
                paintEdges(image.data, one.mesh, sheet, rgbOf(this.ink().ink), one.look.bands === 'none' ? 110 : 150);
            }
            if (heights && one.look.arrows) {
                arrows.push(...fallsOf(heights, sheet, ARROWS_EVERY));
            }
        }
        context.putImageData(image, 0, 0);
        context.strokeStyle = this.ink().ink;
        context.lineWidth = 1.6;
        for (const { x, y, dx, dy } of arrows) {
            const [tx, ty] = [x + 12 * dx, y + 12 * dy];
            context.beginPath();
            context.moveTo(x - 12 * dx, y - 12 * dy);
            context.lineTo(tx, ty);
            context.moveTo(tx - 6 * dx - 4 * dy, ty - 6 * dy + 4 * dx);
            context.lineTo(tx, ty);
            context.lineTo(tx - 6 * dx + 4 * dy, ty - 6 * dy - 4 * dx);
            context.stroke();
        }
        return canvas;
    }

    private values(bands: Bands, heights: Float32Array, one: DrawnSurface, sheet: Parameters<typeof heightsOf>[1]): Float32Array {
        if (bands === 'slope') {
            return slopesOf(heights, sheet);
        }
        if (bands === 'cut_fill' && one.against) {
            const other = heightsOf(one.against, sheet);
            return heights.map((h, i) => h - (other[i] as number) - one.verticalOffset);
        }
        return heights;
    }
}

function rgbOf(colour: string): [number, number, number] {
    const digits = colour.replace('#', '');
    const six = digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits;
    const n = Number.parseInt(six, 16);
    return [(n >> 16) & 255, (n >> 8) & 255, n & 255];
}
