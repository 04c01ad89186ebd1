type Detector = { detect: (source: HTMLVideoElement) => Promise<{ rawValue: string }[]> };
type DetectorClass = new (options: { formats: string[] }) => Detector;

type Read = (video: HTMLVideoElement) => Promise<string | null>;

/** Reads square codes from a picture: the browser's own reader where it has one, else one that ships with the program. */
async function reader(): Promise<Read> {
  const own = (window as { BarcodeDetector?: DetectorClass }).BarcodeDetector;
  if (!own) return shippedReader();
  const detector = new own({ formats: ["qr_code", "data_matrix"] });
  return async (video) => (await detector.detect(video))[0]?.rawValue ?? null;
}

async function shippedReader(): Promise<Read> {
  const zxing = await import("@zxing/library");
  const formats = [zxing.BarcodeFormat.QR_CODE, zxing.BarcodeFormat.DATA_MATRIX];
  const multi = new zxing.MultiFormatReader();
  multi.setHints(new Map([[zxing.DecodeHintType.POSSIBLE_FORMATS, formats]]));
  const nothingYet = [zxing.NotFoundException, zxing.ChecksumException, zxing.FormatException];
  const canvas = document.createElement("canvas");
  return async (video) => {
    canvas.width = video.videoWidth;
    canvas.height = video.videoHeight;
    canvas.getContext("2d")!.drawImage(video, 0, 0);
    const source = new zxing.HTMLCanvasElementLuminanceSource(canvas);
    try {
      return multi.decode(new zxing.BinaryBitmap(new zxing.HybridBinarizer(source))).getText();
    } catch (failure) {
      // No code in this picture: the next one may hold it.
      if (nothingYet.some((kind) => failure instanceof kind)) return null;
      throw failure;
    }
  };
}

const EVERY = 200;

/**
 * Watches the camera's picture for a square code.
 * @returns a way to stop; the camera is off from then on
 * @throws DOMException where there is no camera or it may not be used
 */
export async function watchForCode(video: HTMLVideoElement, onCode: (text: string) => void): Promise<() => void> {
  const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
  video.srcObject = stream;
  await video.play();
  const read = await reader();
  let stopped = false;
  const stop = () => {
    stopped = true;
    for (const track of stream.getTracks()) track.stop();
  };
  const look = async () => {
    while (!stopped) {
      const text = video.videoWidth > 0 ? await read(video) : null;
      if (text && !stopped) {
        stop();
        onCode(text);
        return;
      }
      await new Promise((done) => setTimeout(done, EVERY));
    }
  };
  void look();
  return stop;
}
