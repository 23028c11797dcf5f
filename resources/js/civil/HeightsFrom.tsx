import type { Schemas } from '../api/client';
import { Choice, LengthField } from '../parts/Field';
import type { Alignment, Surface } from './hooks';

export interface Heights {
    heights: NonNullable<Schemas['CivilLay']['heights']>;
    profile: number | null;
    shape: number | null;
    surfaceId: number | null;
    verticalOffset: number;
}

/** Where heights beside an alignment come from by themselves: its own profile and sections, or else the surface that is worked with. */
export function usualHeights(alignment: Alignment, surfaces: readonly Surface[]): Heights {
    const profile = alignment.profiles.findIndex((p) => !p.ground);
    const active = surfaces.find((s) => s.active) ?? null;
    const none = { profile: null, shape: null, surfaceId: null, verticalOffset: 0 };
    if (profile >= 0 || alignment.shapes.length > 0) {
        return { ...none, heights: 'road', profile: profile < 0 ? null : profile, shape: alignment.shapes.length > 0 ? 0 : null };
    }
    return active ? { ...none, heights: 'surface', surfaceId: active.id } : { ...none, heights: 'none' };
}

interface Props {
    alignment: Alignment;
    surfaces: readonly Surface[];
    value: Heights;
    onValue: (value: Heights) => void;
}

/** Asks where the heights beside an alignment come from, and says it. */
export function HeightsFrom({ alignment, surfaces, value, onValue }: Props) {
    const set = (part: Partial<Heights>) => onValue({ ...value, ...part });
    return (
        <div className="grid gap-2">
            <Choice
                label="Heights from"
                value={value.heights}
                onValue={(heights) =>
                    set({
                        heights,
                        surfaceId:
                            heights === 'surface'
                                ? (value.surfaceId ?? surfaces.find((s) => s.active)?.id ?? surfaces[0]?.id ?? null)
                                : value.surfaceId,
                    })
                }
                options={[
                    ['road', 'its profile and what lies across it'],
                    ...(surfaces.length > 0 ? [['surface', 'a surface'] as const] : []),
                    ['none', 'nowhere: in plan alone'],
                ]}
            />
            {value.heights === 'road' && (
                <div className="grid grid-cols-2 gap-2">
                    <Choice
                        label="Profile"
                        value={String(value.profile ?? '')}
                        onValue={(p) => set({ profile: p === '' ? null : Number(p) })}
                        options={[
                            ['', 'none'],
                            ...alignment.profiles.map((p, i) => [String(i), p.ground ? `${p.name} (ground)` : p.name] as const),
                        ]}
                    />
                    <Choice
                        label="Across it"
                        value={String(value.shape ?? '')}
                        onValue={(s) => set({ shape: s === '' ? null : Number(s) })}
                        options={[
                            ['', 'level with the axis'],
                            ...alignment.shapes.map((s, i) => [String(i), s.name || 'sections'] as const),
                        ]}
                    />
                </div>
            )}
            {value.heights === 'surface' && (
                <Choice
                    label="Surface"
                    value={String(value.surfaceId ?? '')}
                    onValue={(id) => set({ surfaceId: Number(id) })}
                    options={surfaces.map((s) => [String(s.id), s.name] as const)}
                />
            )}
            {value.heights !== 'none' && (
                <div className="grid grid-cols-2 items-end gap-2">
                    <LengthField
                        label="Vertical offset"
                        value={Math.abs(value.verticalOffset)}
                        onValue={(m) => m !== null && set({ verticalOffset: value.verticalOffset < 0 ? -Math.abs(m) : Math.abs(m) })}
                    />
                    <Choice
                        label="above or below"
                        value={value.verticalOffset < 0 ? 'below' : 'above'}
                        onValue={(side) =>
                            set({ verticalOffset: side === 'below' ? -Math.abs(value.verticalOffset) : Math.abs(value.verticalOffset) })
                        }
                        options={[
                            ['above', 'above'],
                            ['below', 'below'],
                        ]}
                    />
                </div>
            )}
        </div>
    );
}
