interface Axes {
    major: number;
    minor: number;
    /** direction of the longer one, radians */
    azimuth: number;
}

/** An error ellipse about a place, so many times as large as it is: easting and northing in turn. */
export function ellipse(at: { northing: number; easting: number }, { major, minor, azimuth }: Axes, times: number, pieces = 72): number[] {
    const flat: number[] = [];
    const [c, d] = [Math.cos(azimuth), Math.sin(azimuth)];
    for (let i = 0; i <= pieces; i++) {
        const t = (2 * Math.PI * i) / pieces;
        const [x, y] = [times * major * Math.cos(t), times * minor * Math.sin(t)];
        flat.push(at.easting + x * d + y * c, at.northing + x * c - y * d);
    }
    return flat;
}

/** Down to 1, 2 or 5 times a power of ten. */
export function roundTimes(x: number): number {
    const power = 10 ** Math.floor(Math.log10(x));
    const lead = x / power;
    return power * (lead >= 5 ? 5 : lead >= 2 ? 2 : 1);
}
