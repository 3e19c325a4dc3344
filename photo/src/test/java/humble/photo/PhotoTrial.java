package humble.photo;

import humble.bench.camera.HolesJudged;
import humble.bench.camera.TakenPhoto;
import humble.core.kit.SeenHole;
import java.util.List;

/** One simulated photo, straightened and held against what was drawn. */
record PhotoTrial(String what, HolesJudged judged, String refused) {

  /** Straightens the photo and compares. */
  static PhotoTrial of(String what, TakenPhoto taken) {
    try {
      Straightening.Straightened flat =
          Straightening.found(
              Photo.of(taken.image(), 1),
              taken.board().widthMm(),
              taken.board().heightMm(),
              Watch.none());
      return new PhotoTrial(
          what,
          HolesJudged.of(taken.board(), flat.holes().stream().map(SeenHole::at).toList()),
          "");
    } catch (PhotoRefused e) {
      return new PhotoTrial(what, HolesJudged.of(taken.board(), List.of()), e.phrase().key());
    }
  }
}
