import { atFrame } from '../session/evaluated';
import { sceneVersion } from '../session/programme';
import { LensPicture } from '../views/LensPicture';
import { fit, giveBack, takeSheet } from '../views/surfaces';
import type { Place, Source } from './frames';

/** The lens view as it is now, on the frames of something that was rendered. */
export class Live {
  private readonly sheet = takeSheet();
  private readonly picture = new LensPicture(this.sheet.renderer, () => {});
  private readonly ready = this.picture.prepare();

  source(places: Place[], width: number, height: number): Source {
    return {
      key: `live ${sceneVersion()} ${width} ${places[0]?.camera} ${places[0]?.scene}`,
      total: places.length,
      frame: async (n) => {
        await this.ready;
        const { camera, take, scene } = places[n - 1];
        fit(this.sheet, width, height);
        atFrame(scene, () => this.picture.draw(camera ?? '', [1, 1]), 1, take ?? '');
        return this.sheet.canvas.transferToImageBitmap();
      },
    };
  }

  dispose(): void {
    this.picture.dispose();
    giveBack(this.sheet);
  }
}
