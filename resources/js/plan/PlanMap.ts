import { boundingExtent, buffer, createEmpty, type Extent, extend, isEmpty } from 'ol/extent';
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
import { Crowd, type PlacedThing } from './crowd';
import { changeStyle, drawnStyle, evidenceStyle, figureStyle, measuredStyle, rasterStyle, spotStyle } from './drawnStyles';
import { featuresOf } from './features';
import { currentInk, type Ink } from './ink';
import { type PlanThing, styleOf } from './marks';
import type { Shapes } from './shapes';
import { type PickLayer, SnapIndex, type SnapKind, type Spot, type Touched, USUAL_SNAPS } from './snap';

const SITE = new Projection({ code: 'site', units: 'm', extent: [-1e8, -1e8, 1e8, 1e8] });
const REACH_PX = 16;
const VIEWS_KEPT = 30;
const DRAG_PAUSE_MS = 100;
/** With more shapes than this, lines are drawn one pixel wide in every theme: wider ones take the canvas six times as long. */
const MANY_SHAPES = 30_000;

export interface DrawnLayer extends PickLayer {
    /** chosen here, in place of the colours of the file */
    ownColour: string | null;
    pickable: boolean;
}

/** What a revision changed, drawn over the plan. */
export interface DrawnChange {
    kind: 'added' | 'gone' | 'moved';
    shapes: Shapes;
}

/** What is being worked out, drawn before it is kept. */
export interface PlanFigure {
    /** easting and northing in turn */
    paths: number[][];
    /** bare: the label alone */
    places: { easting: number; northing: number; label: string; quiet?: boolean; bare?: boolean }[];
    /** what a setup rests on, each drawn in its own way */
    evidence?: { flat: number[]; as: Evidence }[];
    /** strips of a raster: how good it would be to stand there, from 0, the best, to 4 */
    cells?: { easting: number; northing: number; width: number; height: number; level: number }[];
}

/** A sight in use or left out, a residual, an error ellipse, a line that is shot at. */
export type Evidence = 'ray' | 'unused' | 'residual' | 'ellipse' | 'siteLine';

/** What the next touch is for: a spot of a drawing; any place, a point's before a spot's; a line or arc; points to be chosen. */
export type Picking = 'spot' | 'place' | 'piece' | 'points' | null;

/** What stands beside a point. */
export interface LabelChoice {
    name: boolean;
    code: boolean;
    elevation: boolean;
}

export interface PlanPlace {
    northing: number;
    easting: number;
}

/** What was touched while picking. */
export interface PlanTaken {
    spot: Spot | null;
    thing: PlanThing | null;
    piece: Touched | null;
    place: PlanPlace;
}

export interface PlanEvents {
    /** of: how many spots are within reach */
    onSpot: (spot: Spot | null, pixel: number[], of?: number) => void;
    onTake: (taken: PlanTaken) => void;
    onBox: (west: number, south: number, east: number, north: number) => void;
    onTouch: (thing: PlanThing | null, drawn: Touched | null, place: PlanPlace) => void;
    onMove: (place: PlanPlace, resolution: number, rotation: number) => void;
    onPoleDragged: (place: PlanPlace) => void;
}

/** The one plan, wrapped around OpenLayers. Everything drawn per layer is merged into one geometry: that is what keeps it quick. */
export class PlanMap {
    picking: Picking = null;
    snaps: ReadonlySet<SnapKind> = USUAL_SNAPS;
    poleCanBeDragged = false;
    private ink: Ink = currentInk();
    private readonly map: OlMap;
    private readonly drawn = new Map<number, VectorLayer>();
    private readonly things = new VectorSource();
    private readonly moving = new VectorSource();
    private readonly offered = new VectorSource();
    private readonly changes = new VectorSource();
    private readonly measured = new VectorSource();
    private readonly figure = new VectorSource();
    private readonly raster = new VectorSource();
    /** spots within reach of the pointer, and which of them is offered */
    private reached: { spots: Spot[]; index: number; pixel: number[] } = { spots: [], index: 0, pixel: [] };
    private readonly box = new DragBox({ condition: () => this.boxing });
    private crowded = false;
    private snap = new SnapIndex([]);
    private crowd = new Crowd([]);
    private boxing = false;
    private boxChooses = false;
    private views: { center: number[]; resolution: number; rotation: number }[] = [];
    private view = -1;
    private restoring = false;
    private dragged = false;
    private draggedAt = 0;
    private letGoAt: PlanPlace | null = null;
    private content: Extent = createEmpty();

    constructor(
        private readonly element: HTMLElement,
        private readonly events: PlanEvents,
    ) {
        const styled = (source: VectorSource, zIndex: number, declutter: boolean) =>
            new VectorLayer({ source, zIndex, declutter, style: (f, resolution) => styleOf(f, this.ink, resolution) });
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
                styled(this.things, 20, true),
                styled(this.moving, 30, false),
                new VectorLayer({
                    source: this.changes,
                    zIndex: 10,
                    style: (f) => changeStyle(f.get('change') as DrawnChange['kind'], this.ink),
                }),
                new VectorLayer({ source: this.raster, zIndex: 5, style: (f) => rasterStyle(f, this.ink) }),
                new VectorLayer({
                    source: this.figure,
                    zIndex: 38,
                    declutter: true,
                    style: (f) => (f.get('as') ? evidenceStyle(f, this.ink) : figureStyle(f, this.ink)),
                }),
                new VectorLayer({ source: this.measured, zIndex: 39, style: () => measuredStyle(this.ink) }),
                new VectorLayer({ source: this.offered, zIndex: 40, style: () => spotStyle(this.ink) }),
            ],
        });
        this.map.addInteraction(this.box);
        this.box.on('boxend', () => this.finishBox());
        this.map.on('pointermove', (e) => !e.dragging && this.pointed(e));
        this.map.on('singleclick', (e) => this.touched(e));
        this.map.on('moveend', () => this.moved());
        element.addEventListener('pointerup', () => this.letPoleGo());
        this.map.on('pointerdrag' as never, ((e: MapBrowserEvent<PointerEvent>) => this.dragPole(e)) as never);
    }

    dispose(): void {
        this.map.setTarget(undefined);
        this.map.dispose();
    }

    /** The theme has changed. */
    repaint(): void {
        this.ink = currentInk();
        for (const layer of this.drawn.values()) {
            layer.setStyle(drawnStyle(layer.get('ownColour') as string | null, this.ink, this.crowded));
        }
        this.map.getLayers().forEach((l) => {
            l.changed();
        });
    }

    /** Shows these layers of drawings; quiet ones stand back behind what the stage is about. */
    showLayers(layers: DrawnLayer[], quiet: boolean): void {
        const wanted = new Set(layers.map((l) => l.id));
        const crowded = layers.reduce((n, l) => n + l.shapes.count, 0) > MANY_SHAPES;
        if (crowded !== this.crowded) {
            this.crowded = crowded;
            this.repaint();
        }
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
            drawn?.setOpacity(quiet ? 0.5 : 1);
            if (drawn && drawn.get('ownColour') !== layer.ownColour) {
                drawn.set('ownColour', layer.ownColour);
                drawn.setStyle(drawnStyle(layer.ownColour, this.ink, this.crowded));
            }
        }
        this.snap = new SnapIndex(layers.filter((l) => l.pickable));
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

    /** What is being worked out. */
    showFigure(figure: PlanFigure | null): void {
        this.figure.clear(true);
        for (const flat of figure?.paths ?? []) {
            this.figure.addFeature(new Feature(new LineString(flat, 'XY')));
        }
        for (const { easting, northing, label, quiet, bare } of figure?.places ?? []) {
            this.figure.addFeature(new Feature({ geometry: new Point([easting, northing]), label, quiet, bare }));
        }
        for (const { flat, as } of figure?.evidence ?? []) {
            this.figure.addFeature(new Feature({ geometry: new LineString(flat, 'XY'), as }));
        }
        this.raster.clear(true);
        for (const { easting: e, northing: n, width, height, level } of figure?.cells ?? []) {
            const ring = [e, n, e + width, n, e + width, n + height, e, n + height, e, n];
            this.raster.addFeature(new Feature({ geometry: new Polygon(ring, 'XY', [10]), level }));
        }
    }

    /** Offers the next of several spots under the pointer. */
    nextSpot(): void {
        const { spots, index, pixel } = this.reached;
        if (spots.length > 1) {
            this.reached.index = (index + 1) % spots.length;
            this.offer(spots[this.reached.index] ?? null, pixel);
        }
    }

    /** Control, points and marks. */
    showThings(things: PlacedThing[]): void {
        this.crowd = new Crowd(things);
        this.drawThings();
    }

    private drawThings(): void {
        this.things.clear(true);
        this.things.addFeatures(this.crowd.features(this.map.getView().calculateExtent(this.map.getSize())));
    }

    /** Instrument, pole, the line of sight and the way to the target. */
    showMoving(instrument: PlanPlace | null, pole: PlanPlace | null, target: PlanPlace | null): void {
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
            add(new Point(at(instrument)), { what: 'instrument' });
        }
        if (pole) {
            add(new Point(at(pole)), { what: 'pole' });
        }
        this.moving.clear(true);
        this.moving.addFeatures(features);
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

    previousView(): void {
        this.goToView(this.view - 1);
    }

    nextView(): void {
        this.goToView(this.view + 1);
    }

    private goToView(index: number): void {
        const view = this.views[index];
        if (view) {
            this.view = index;
            this.restoring = true;
            this.map.getView().setCenter(view.center);
            this.map.getView().setResolution(view.resolution);
            this.map.getView().setRotation(view.rotation);
        }
    }

    /** choosing: what lies in the box is chosen, instead of looked at */
    startBox(choosing = false): void {
        this.boxChooses = choosing;
        this.boxing = true;
        this.element.style.cursor = 'crosshair';
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
            style: drawnStyle(layer.ownColour, this.ink, this.crowded),
            updateWhileAnimating: false,
        });
        made.set('ownColour', layer.ownColour);
        return made;
    }

    private reach(): number {
        return REACH_PX * (this.map.getView().getResolution() ?? 1);
    }

    private pointed(e: MapBrowserEvent): void {
        if (this.picking === 'spot' || this.picking === 'place') {
            this.offerNear(e);
        } else if (this.picking === 'piece') {
            this.offerPiece(e);
        }
    }

    private offerNear(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        const spots = this.snap.spots(x, y, this.reach(), this.snaps);
        this.reached = { spots, index: 0, pixel: e.pixel };
        this.offer(spots[0] ?? null, e.pixel);
    }

    private offerPiece(e: MapBrowserEvent): Touched | null {
        const [x = 0, y = 0] = e.coordinate;
        const piece = this.snap.touched(x, y, this.reach());
        this.offered.clear(true);
        if (piece) {
            const chords = this.snap.chords(piece);
            this.offered.addFeature(new Feature(chords.length > 1 ? new LineString(chords) : new Point(chords[0] ?? [x, y])));
        }
        this.events.onSpot(null, e.pixel);
        return piece;
    }

    private offer(spot: Spot | null, pixel: number[]): void {
        this.offered.clear(true);
        if (spot) {
            this.offered.addFeature(new Feature(new Point([spot.x, spot.y])));
        }
        this.events.onSpot(spot, pixel, this.reached.spots.length);
    }

    /** A finger has no hovering: it touches the spot it means, or again the same place for the next spot there. */
    private take(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        const place = { northing: y, easting: x };
        if (this.picking === 'piece') {
            this.events.onTake({ spot: null, thing: null, piece: this.offerPiece(e), place });
            return;
        }
        const thing = this.picking === 'spot' ? null : this.thingAt(e);
        if (this.picking === 'points' || thing?.what === 'point' || thing?.what === 'control') {
            this.events.onTake({ spot: null, thing, piece: null, place });
            return;
        }
        const known = this.reached;
        const still =
            known.spots.length > 0 && Math.hypot((known.pixel[0] ?? 0) - (e.pixel[0] ?? 0), (known.pixel[1] ?? 0) - (e.pixel[1] ?? 0)) < 4;
        if (!still) {
            this.offerNear(e);
        }
        this.events.onTake({ spot: this.reached.spots[this.reached.index] ?? null, thing: null, piece: null, place });
    }

    private touched(e: MapBrowserEvent): void {
        const [x = 0, y = 0] = e.coordinate;
        if (this.picking) {
            this.take(e);
            return;
        }
        const thing = this.thingAt(e);
        this.events.onTouch(thing, thing ? null : this.snap.touched(x, y, this.reach()), { northing: y, easting: x });
    }

    private thingAt(e: MapBrowserEvent): PlanThing | null {
        const [x = 0, y = 0] = e.coordinate;
        const feature = this.map.forEachFeatureAtPixel(e.pixel, (f) => f as Feature, {
            hitTolerance: 14,
            layerFilter: (l) => l.getZIndex() === 20 || l.getZIndex() === 30,
        });
        return feature?.get('mass')
            ? this.crowd.near({ northing: y, easting: x }, this.reach())
            : ((feature?.get('thing') as PlanThing | undefined) ?? null);
    }

    /** Once taken hold of, the pole is dragged until it is let go, wherever the readings say it is meanwhile. */
    private dragPole(e: MapBrowserEvent<PointerEvent>): void {
        const [x = 0, y = 0] = e.coordinate;
        const pole = this.moving.getFeatures().find((f) => (f.get('thing') as PlanThing).what === 'pole');
        const geometry = pole?.getGeometry() as Point | undefined;
        const at = geometry?.getCoordinates();
        this.dragged ||= this.poleCanBeDragged && at !== undefined && Math.hypot((at[0] ?? 0) - x, (at[1] ?? 0) - y) < 2 * this.reach();
        if (this.dragged) {
            e.stopPropagation();
            geometry?.setCoordinates([x, y]);
            this.letGoAt = { northing: y, easting: x };
            if (Date.now() - this.draggedAt > DRAG_PAUSE_MS) {
                this.draggedAt = Date.now();
                this.events.onPoleDragged(this.letGoAt);
            }
        }
    }

    private letPoleGo(): void {
        if (this.dragged && this.letGoAt) {
            this.events.onPoleDragged(this.letGoAt);
        }
        this.dragged = false;
        this.letGoAt = null;
    }

    private finishBox(): void {
        this.boxing = false;
        this.element.style.cursor = '';
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
        // What was offered lay under the pointer before the plan moved.
        if (this.picking) {
            this.reached = { spots: [], index: 0, pixel: [] };
            this.offer(null, []);
        }
        const view = this.map.getView();
        const now = { center: view.getCenter() ?? [0, 0], resolution: view.getResolution() ?? 1, rotation: view.getRotation() };
        if (!this.restoring) {
            this.views = [...this.views.slice(0, this.view + 1), now].slice(-VIEWS_KEPT);
            this.view = this.views.length - 1;
        }
        this.restoring = false;
        this.events.onMove({ northing: now.center[1] ?? 0, easting: now.center[0] ?? 0 }, now.resolution, now.rotation);
    }
}

/** The extent of places and of drawn extents together. */
export function contentOf(places: PlanPlace[], extents: number[][]): Extent | null {
    const all = createEmpty();
    for (const e of extents) {
        if (e.length === 4) {
            extend(all, e);
        }
    }
    for (const p of places) {
        extend(all, [p.easting, p.northing, p.easting, p.northing]);
    }
    return isEmpty(all) && places.length === 0 ? null : all;
}
