import { boundingExtent, buffer, containsXY, createEmpty, type Extent, extend, isEmpty } from 'ol/extent';
import Feature from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import Point from 'ol/geom/Point';
import Polygon from 'ol/geom/Polygon';
import { defaults as defaultInteractions } from 'ol/interaction';
import DragBox from 'ol/interaction/DragBox';
import VectorLayer from 'ol/layer/Vector';
import OlMap from 'ol/Map';
import type MapBrowserEvent from 'ol/MapBrowserEvent';
import Projection from 'ol/proj/Projection';
import VectorSource from 'ol/source/Vector';
import View from 'ol/View';
import type { Schemas, Units } from '../api/client';
import { AlignmentLayer } from './AlignmentLayer';
import type { DrawnChange, DrawnLayer, PlanEvents, PlanFigure, PlanPlace } from './contract';
import { Crowd, type PlacedThing } from './crowd';
import { Dragging } from './Dragging';
import { changeStyle, drawnStyle, evidenceStyle, figureStyle, measuredStyle, rasterStyle, spotStyle } from './drawnStyles';
import { featuresOf } from './features';
import { currentInk, type Ink } from './ink';
import { type PlanPlace3, type PlanThing, styleOf } from './marks';
import { Picker } from './Picker';
import { PlanKeys } from './PlanKeys';
import { SurfaceLayer } from './SurfaceLayer';
import { SnapIndex } from './snap';
import { Views } from './Views';

const SITE = new Projection({ code: 'site', units: 'm', extent: [-1e8, -1e8, 1e8, 1e8] });
const REACH_PX = 16;
/** What moves over the marks. */
const MOVING: ReadonlySet<PlanThing['what']> = new Set(['pole', 'instrument', 'sight', 'move', 'walker', 'walk']);
/** metres about a place that is looked at */
const NEIGHBOURHOOD = 12;

/** The one plan, wrapped around OpenLayers. Everything drawn per layer is merged into one geometry: that is what keeps it quick. */
export class PlanMap {
    readonly picker: Picker;
    readonly views: Views;
    poleCanBeDragged = false;
    private ink: Ink = currentInk();
    private units: Units | null = null;
    readonly surfaces: SurfaceLayer;
    readonly alignments: AlignmentLayer;
    private readonly map: OlMap;
    private readonly drawn = new Map<number, VectorLayer>();
    private readonly things = new VectorSource();
    private readonly moving = new VectorSource();
    private readonly walker = new VectorSource();
    private readonly offered = new VectorSource();
    private readonly walkOffer = new VectorSource();
    private readonly taken = new VectorSource();
    private readonly changes = new VectorSource();
    private readonly measured = new VectorSource();
    private readonly figure = new VectorSource();
    /** sights of a setup run under names and marks */
    private readonly rays = new VectorSource();
    private readonly raster = new VectorSource();
    private readonly keys: PlanKeys;
    private readonly box = new DragBox({ condition: () => this.boxing });
    private quiet = false;
    private crowd = new Crowd([]);
    private boxing = false;
    private boxChooses = false;
    private content: Extent = createEmpty();
    private onFigureMoved: PlanFigure['onMoved'];

    constructor(
        private readonly element: HTMLElement,
        private readonly events: PlanEvents,
    ) {
        const styled = (source: VectorSource, zIndex: number, declutter: boolean) =>
            new VectorLayer({ source, zIndex, declutter, style: (f, resolution) => styleOf(f, this.ink, resolution) });
        this.surfaces = new SurfaceLayer(SITE, () => this.ink);
        this.alignments = new AlignmentLayer(
            () => this.ink,
            () => this.units ?? { length: 'm', angle: 'dms', direction: 'azimuth', order: 'NE', station: '1+000' },
        );
        this.map = new OlMap({
            target: element,
            controls: [],
            interactions: defaultInteractions({ altShiftDragRotate: false }),
            view: new View({
                projection: SITE,
                center: [0, 0],
                resolution: 0.2,
                minResolution: 0.0002,
                maxResolution: 500,
                constrainRotation: false,
            }),
            layers: [
                this.surfaces.layer,
                ...this.alignments.layers,
                styled(this.things, 20, true),
                styled(this.moving, 30, false),
                styled(this.walker, 29, false),
                new VectorLayer({
                    source: this.changes,
                    zIndex: 10,
                    style: (f) => changeStyle(f.get('change') as DrawnChange['kind'], this.ink),
                }),
                new VectorLayer({ source: this.rays, zIndex: 12, style: (f) => evidenceStyle(f, this.ink) }),
                new VectorLayer({ source: this.raster, zIndex: 5, style: (f) => rasterStyle(f, this.ink) }),
                new VectorLayer({
                    source: this.figure,
                    zIndex: 38,
                    declutter: true,
                    style: (f) => (f.get('as') ? evidenceStyle(f, this.ink) : figureStyle(f, this.ink)),
                }),
                new VectorLayer({ source: this.measured, zIndex: 39, style: () => measuredStyle(this.ink) }),
                new VectorLayer({ source: this.taken, zIndex: 39, style: () => spotStyle(this.ink) }),
                new VectorLayer({ source: this.offered, zIndex: 40, style: () => spotStyle(this.ink) }),
                new VectorLayer({ source: this.walkOffer, zIndex: 40, style: () => spotStyle(this.ink) }),
            ],
        });
        this.map.addInteraction(this.box);
        this.box.on('boxend', () => this.finishBox());
        this.picker = new Picker(
            this.offered,
            events,
            () => this.reach(),
            (e) => this.thingAt(e),
        );
        this.views = new Views(() => this.map.getView());
        const dragging = new Dragging(
            [
                { find: () => this.pole(), onMoved: events.onPoleDragged },
                { find: () => this.movableOfFigure(), onMoved: (place) => this.onFigureMoved?.(place) },
            ],
            () => this.reach(),
        );
        this.map.on('pointermove', (e) => !e.dragging && this.picker.pointed(e));
        element.addEventListener('pointerleave', () => this.picker.left());
        this.map.on('singleclick', (e) => this.touched(e));
        this.map.on('moveend', () => this.moved());
        this.keys = new PlanKeys(element, this.map, this.picker, events, () => this.crowd.within(this.inView()));
        element.addEventListener('pointerdown', (e) => dragging.grip(this.map.getEventCoordinate(e)) && this.picker.forget());
        element.addEventListener('pointerup', () => dragging.letGo());
        this.map.on('pointerdrag' as never, ((e: MapBrowserEvent<PointerEvent>) => dragging.drag(e)) as never);
    }

    dispose(): void {
        this.map.setTarget(undefined);
        this.map.dispose();
    }

    /** The theme has changed. */
    repaint(): void {
        this.ink = currentInk();
        for (const layer of this.drawn.values()) {
            layer.setStyle(drawnStyle(layer.get('ownColour') as string | null, this.ink));
            layer.setOpacity(this.quiet ? this.ink.behind : 1);
        }
        this.surfaces.repaint();
        this.map.getLayers().forEach((l) => {
            l.changed();
        });
    }

    /** How stations and lengths are written on it. */
    writeIn(units: Units): void {
        this.units = units;
    }

    /** Shows these layers of drawings; quiet ones stand back behind what the stage is about. */
    showLayers(layers: DrawnLayer[], quiet: boolean): void {
        const wanted = new Set(layers.map((l) => l.id));
        this.quiet = quiet;
        for (const [id, layer] of this.drawn) {
            if (!wanted.has(id)) {
                this.map.removeLayer(layer);
                this.drawn.delete(id);
            }
        }
        for (const layer of layers) {
            if (!this.drawn.has(layer.id)) {
                const made = this.drawLayer(layer);
                this.drawn.set(layer.id, made);
                this.map.addLayer(made);
            }
            const drawn = this.drawn.get(layer.id);
            drawn?.setOpacity(quiet ? this.ink.behind : 1);
            if (drawn && drawn.get('ownColour') !== layer.ownColour) {
                drawn.set('ownColour', layer.ownColour);
                drawn.setStyle(drawnStyle(layer.ownColour, this.ink));
            }
        }
        this.picker.snap = new SnapIndex(layers.filter((l) => l.pickable));
    }

    /** What changed from one revision to the next. */
    showChanges(changes: DrawnChange[]): void {
        this.changes.clear(true);
        for (const { kind, shapes } of changes) {
            for (const feature of featuresOf(shapes, [])) {
                feature.set('change', kind);
                this.changes.addFeature(feature);
            }
        }
    }

    /** The line between two places that are being compared. */
    showMeasured(places: PlanPlace[]): void {
        this.measured.clear(true);
        if (places.length > 1) {
            this.measured.addFeature(new Feature(new LineString(places.map((p) => [p.easting, p.northing]))));
        }
        this.measured.addFeatures(places.map((p) => new Feature(new Point([p.easting, p.northing]))));
    }

    /** Lines and arcs that were touched and are wanted for something. */
    showPieces(pieces: readonly Schemas['ShapeRef'][]): void {
        this.taken.clear(true);
        for (const piece of pieces) {
            const chords = this.picker.snap.chords(piece);
            if (chords.length > 1) {
                this.taken.addFeature(new Feature(new LineString(chords)));
            }
        }
    }

    /** What is being worked out. */
    showFigure(figure: PlanFigure | null): void {
        this.figure.clear(true);
        this.rays.clear(true);
        for (const flat of figure?.paths ?? []) {
            this.figure.addFeature(new Feature(new LineString(flat, 'XY')));
        }
        this.onFigureMoved = figure?.onMoved;
        for (const { easting, northing, ...looks } of figure?.places ?? []) {
            this.figure.addFeature(new Feature({ geometry: new Point([easting, northing]), ...looks }));
        }
        for (const { flat, as } of figure?.evidence ?? []) {
            (as === 'ray' || as === 'unused' ? this.rays : this.figure).addFeature(
                new Feature({ geometry: new LineString(flat, 'XY'), as }),
            );
        }
        this.raster.clear(true);
        for (const { easting: e, northing: n, width, height, level } of figure?.cells ?? []) {
            const ring = [e, n, e + width, n, e + width, n + height, e, n + height, e, n];
            this.raster.addFeature(new Feature({ geometry: new Polygon(ring, 'XY', [10]), level }));
        }
    }

    /** Control, points and marks. */
    showThings(things: PlacedThing[]): void {
        this.crowd = new Crowd(things);
        this.drawThings();
    }

    private drawThings(): void {
        this.things.clear(true);
        this.things.addFeatures(this.crowd.features(this.inView()));
    }

    /** Instrument, pole, the line of sight and the way to the target. */
    showMoving(instrument: PlanPlace3 | null, pole: PlanPlace3 | null, target: PlanPlace | null): void {
        const at = (p: PlanPlace) => [p.easting, p.northing];
        const features: Feature[] = [];
        const add = (geometry: Point | LineString, thing: PlanThing) => features.push(new Feature({ geometry, thing }));
        if (instrument && pole) {
            add(new LineString([at(instrument), at(pole)]), { what: 'sight' });
        }
        if (pole && target) {
            add(new LineString([at(pole), at(target)]), { what: 'move' });
        }
        if (instrument) {
            add(new Point(at(instrument)), { what: 'instrument', at: instrument });
        }
        if (pole) {
            add(new Point(at(pole)), { what: 'pole', at: pole });
        }
        this.moving.clear(true);
        this.moving.addFeatures(features);
    }

    /** The spot that is offered to whoever walks. */
    showOffered(spot: { x: number; y: number } | null): void {
        this.walkOffer.clear(true);
        if (spot) {
            this.walkOffer.addFeature(new Feature(new Point([spot.x, spot.y])));
        }
    }

    /** The practising pole as it really stands or walks, with a word beside it. */
    showWalker(walker: { at: PlanPlace; goal: PlanPlace | null; says: string } | null): void {
        this.walker.clear(true);
        if (walker) {
            const at = [walker.at.easting, walker.at.northing];
            this.walker.addFeature(new Feature({ geometry: new Point(at), thing: { what: 'walker', says: walker.says } }));
            if (walker.goal) {
                const goal = [walker.goal.easting, walker.goal.northing];
                this.walker.addFeature(new Feature({ geometry: new LineString([at, goal]), thing: { what: 'walk' } }));
            }
        }
    }

    /** Whether a place lies in the lower half of what is in view. */
    isLow(place: PlanPlace): boolean {
        const [, y = 0] = this.map.getPixelFromCoordinate([place.easting, place.northing]) ?? [];
        return y > this.element.clientHeight / 2;
    }

    /** Everything there is to see. */
    setContent(extent: Extent | null): void {
        this.content = extent ?? createEmpty();
    }

    zoomToContent(): void {
        this.fit(this.content);
    }

    zoomTo(places: PlanPlace[]): void {
        this.fit(places.length === 0 ? this.content : boundingExtent(places.map((p) => [p.easting, p.northing])));
    }

    /** choosing: what lies in the box is chosen, instead of looked at */
    startBox(choosing = false): void {
        this.boxChooses = choosing;
        this.boxing = true;
        this.element.style.cursor = 'crosshair';
    }

    stopBox(): void {
        this.boxing = false;
        this.element.style.cursor = '';
    }

    centreOn(place: PlanPlace): void {
        this.map.getView().setCenter([place.easting, place.northing]);
    }

    /** Grid azimuth that points up on the screen. */
    turnUp(azimuth: number): void {
        this.map.getView().setRotation(-azimuth);
    }

    zoomBy(steps: number): void {
        this.map.getView().animate({ zoom: (this.map.getView().getZoom() ?? 0) + steps, duration: 120 });
    }

    private fit(extent: Extent): void {
        if (!isEmpty(extent) || extent[0] === extent[2]) {
            const [w = 1, h = 1] = this.map.getSize() ?? [];
            const pad = Math.min(70, w / 6, h / 6);
            this.map.getView().fit(buffer(extent, 0.5), { padding: [pad, pad, pad, pad] });
        }
    }

    private drawLayer(layer: DrawnLayer): VectorLayer {
        const source = new VectorSource();
        source.addFeatures(featuresOf(layer.shapes, layer.strings));
        const made = new VectorLayer({
            source,
            zIndex: 1,
            style: drawnStyle(layer.ownColour, this.ink),
            updateWhileAnimating: false,
        });
        made.set('ownColour', layer.ownColour);
        return made;
    }

    private inView(): Extent {
        return this.map.getView().calculateExtent(this.map.getSize());
    }

    /** Goes to a place and tells what is there, as if it had been touched. */
    lookAt(place: PlanPlace): void {
        this.fit([
            place.easting - NEIGHBOURHOOD,
            place.northing - NEIGHBOURHOOD,
            place.easting + NEIGHBOURHOOD,
            place.northing + NEIGHBOURHOOD,
        ]);
        this.events.onTouch(this.crowd.near(place, this.reach()), null, place, []);
    }

    /** Brings these into view, where one of them lies outside it. */
    bringIntoView(places: PlanPlace[]): void {
        const view = this.inView();
        if (places.some((p) => !containsXY(view, p.easting, p.northing))) {
            this.zoomTo(places);
        }
    }

    /** Goes where a place and its company can be seen, where the place itself is out of view. */
    bringIntoViewWith(place: PlanPlace, company: PlanPlace[]): void {
        if (!containsXY(this.inView(), place.easting, place.northing)) {
            this.zoomTo([place, ...company]);
        }
    }

    private reach(): number {
        return REACH_PX * (this.map.getView().getResolution() ?? 1);
    }

    private touched(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        if (this.picker.picking) {
            this.picker.take(e);
            return;
        }
        const thing = this.thingAt(e);
        this.events.onTouch(thing, this.picker.drawnAt(x, y), { northing: y, easting: x }, this.picker.spotsAt(x, y));
    }

    private thingAt(e: MapBrowserEvent): PlanThing | null {
        const [x = 0, y = 0] = e.coordinate;
        // What lies nearest is meant, drawn or crowded out; then what a label belongs to; and only then the pole, which stands on what is meant.
        const near = this.crowd.near({ northing: y, easting: x }, this.reach());
        if (near) {
            return near;
        }
        const features = this.map.getFeaturesAtPixel(e.pixel, {
            hitTolerance: 14,
            layerFilter: (l) => l.getZIndex() === 20 || l.getZIndex() === 30,
        }) as Feature[];
        const things = features.flatMap((f) => (f.get('mass') ? [] : [f.get('thing') as PlanThing]));
        return things.find((t) => !MOVING.has(t.what)) ?? things[0] ?? this.alignments.near([x, y], this.reach());
    }

    private pole(): Point | null {
        const pole = this.poleCanBeDragged && this.moving.getFeatures().find((f) => (f.get('thing') as PlanThing).what === 'pole');
        return pole ? (pole.getGeometry() as Point) : null;
    }

    private movableOfFigure(): Point | null {
        return (
            (this.figure
                .getFeatures()
                .find((f) => f.get('movable'))
                ?.getGeometry() as Point | undefined) ?? null
        );
    }

    private finishBox(): void {
        this.stopBox();
        const [west = 0, south = 0, east = 0, north = 0] = this.box.getGeometry().getExtent();
        if (this.boxChooses) {
            this.events.onBox(west, south, east, north);
        } else {
            this.fit([west, south, east, north]);
        }
    }

    private moved(): void {
        if (this.crowd.isCrowd) {
            this.drawThings();
        }
        this.picker.forget();
        this.keys.forget();
        const now = this.views.rest();
        this.events.onMove({ northing: now.center[1] ?? 0, easting: now.center[0] ?? 0 }, now.resolution, now.rotation);
    }
}

/** So many times as far from the middle as half of all are: a mark that was typed wrong, or another site. */
const STRAYS = 20;

/** Places without those that lie far from the body of all: one far mark would leave nothing to be seen of the others. */
export function among(places: PlanPlace[]): PlanPlace[] {
    if (places.length < 4) {
        return places;
    }
    const middle = (of: number[]) => of.sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;
    const [n, e] = [middle(places.map((p) => p.northing)), middle(places.map((p) => p.easting))];
    const away = places.map((p) => Math.hypot(p.northing - n, p.easting - e));
    const usual = Math.max(middle([...away]), 1);
    return places.filter((_, i) => (away[i] ?? 0) <= STRAYS * usual);
}

/** The extent of places and of drawn extents together. */
export function contentOf(places: PlanPlace[], extents: (readonly number[])[]): Extent | null {
    const all = createEmpty();
    for (const e of extents) {
        if (e.length === 4) {
            extend(all, [...e]);
        }
    }
    for (const p of among(places)) {
        extend(all, [p.easting, p.northing, p.easting, p.northing]);
    }
    return isEmpty(all) && places.length === 0 ? null : all;
}
