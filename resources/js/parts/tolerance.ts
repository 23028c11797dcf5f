/** What is allowed in height: down from the design, and up where that is not the same. */
export interface HeightTolerance {
    heightTolerance: number;
    aboveTolerance?: number | null;
}

/** What is allowed of a difference, on the side it lies on. */
export const allowedOf = (of: HeightTolerance, height: number | null | undefined): number =>
    height != null && height > 0 ? (of.aboveTolerance ?? of.heightTolerance) : of.heightTolerance;

/** What a code says for itself before what the project says; its own height holds either way unless it says how much above. */
export const heightToleranceOf = (
    project: HeightTolerance,
    own: { heightTolerance: number | null; aboveTolerance: number | null } | undefined,
): Required<HeightTolerance> => ({
    heightTolerance: own?.heightTolerance ?? project.heightTolerance,
    aboveTolerance: own?.aboveTolerance ?? (own?.heightTolerance == null ? (project.aboveTolerance ?? null) : null),
});
