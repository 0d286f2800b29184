/** Reads the code on a label. A scanner that types is a keyboard, and needs none of this. */
export interface CodeReader {
  readonly name: string;
  readonly simulated: boolean;
  /** @returns undefined where nothing was read */
  read(): Promise<string | undefined>;
}

/** Stands in for a reader: the code of the next thing it is shown. */
export const simulatedReader = (next: () => string | undefined): CodeReader => ({
  name: 'Simulated reader',
  simulated: true,
  read: () => Promise.resolve(next()),
});

interface Detector {
  detect(source: HTMLVideoElement): Promise<readonly { readonly rawValue: string }[]>;
}
type DetectorMaker = new (options: { formats: string[] }) => Detector;

/** How long the camera looks for a code, ms. */
const LOOKS_FOR_MS = 15_000;
const BETWEEN_MS = 200;

/** The camera of a device that can read codes; undefined on one that cannot. */
export function cameraReader(): CodeReader | undefined {
  const { BarcodeDetector } = globalThis as { BarcodeDetector?: DetectorMaker };
  if (!BarcodeDetector || !navigator.mediaDevices) return undefined;
  return {
    name: 'Camera',
    simulated: false,
    async read() {
      const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      try {
        const video = document.createElement('video');
        video.srcObject = stream;
        await video.play();
        const detector = new BarcodeDetector({ formats: ['qr_code'] });
        for (let waited = 0; waited < LOOKS_FOR_MS; waited += BETWEEN_MS) {
          const [code] = await detector.detect(video);
          if (code) return code.rawValue;
          await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
        }
        return undefined;
      } finally {
        stream.getTracks().forEach((track) => track.stop());
      }
    },
  };
}
