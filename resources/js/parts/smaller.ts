/** Longer side of a picture that is sent, pixels: what the server keeps of it. */
const SIDE = 1600;

/** How large a picture is sent, pixels: never larger than it is. */
export function sentSize(wide: number, high: number): { wide: number; high: number } {
    const scale = Math.min(1, SIDE / Math.max(wide, high));
    return { wide: Math.max(1, Math.round(wide * scale)), high: Math.max(1, Math.round(high * scale)) };
}

/** A photograph made smaller before it is sent over a weak link, upright as it was taken; as it is where the browser can't. */
export async function smaller(file: File): Promise<File> {
    try {
        const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
        const { wide, high } = sentSize(image.width, image.height);
        const canvas = new OffscreenCanvas(wide, high);
        canvas.getContext('2d')?.drawImage(image, 0, 0, wide, high);
        image.close();
        return new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 })], 'photograph.jpg', { type: 'image/jpeg' });
    } catch {
        return file;
    }
}
