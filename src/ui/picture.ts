/** The longer side of a picture as it leaves this device, pixels: enough to tell a plant by. */
const SIDE = 1600;
const QUALITY = 0.85;

/**
 * A picture made small on this device, upright, and without what a camera writes beside it.
 * @returns null for a file that this browser can't show
 */
export async function smallPicture(file: Blob): Promise<ArrayBuffer | null> {
  const bitmap = await createImageBitmap(file, { imageOrientation: "from-image" }).catch(() => null);
  if (!bitmap) return null;
  const { width, height } = bitmap;
  const factor = Math.min(1, SIDE / Math.max(width, height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(width * factor));
  canvas.height = Math.max(1, Math.round(height * factor));
  canvas.getContext("2d")!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", QUALITY));
  return blob ? blob.arrayBuffer() : null;
}
