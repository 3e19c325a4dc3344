package humble.benchmarks;

import humble.bench.camera.HolesJudged;
import humble.bench.camera.TableCamera;
import humble.bench.camera.TakenPhoto;
import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import humble.photo.Photo;
import humble.photo.PhotoFile;
import humble.photo.PhotoRefused;
import humble.photo.Straightening;
import humble.photo.Watch;
import java.io.IOException;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.IntFunction;

/** Simulated photos straightened, written and read as JPEG between; what was seen is judged. */
final class StraightPhotos {
  private static final int ALL = 200;

  /** So many are of the second set of numbers, on which nothing was ever tried. */
  private static final int HELD_BACK = 67;

  /** Fewer than these of the holes of one photo are too few. */
  private static final double POOR = 0.85;

  private StraightPhotos() {}

  private record Sum(
      int photos,
      int refused,
      int holes,
      int found,
      int off,
      int invented,
      double least,
      long poor,
      double worstMm) {
    static Sum of(List<HolesJudged> all, int refused) {
      int holes = all.stream().mapToInt(HolesJudged::holes).sum();
      double least =
          all.stream().mapToDouble(one -> one.found() / (double) one.holes()).min().orElse(0);
      return new Sum(
          all.size(),
          refused,
          holes,
          all.stream().mapToInt(HolesJudged::found).sum(),
          all.stream().mapToInt(HolesJudged::off).sum(),
          all.stream().mapToInt(HolesJudged::invented).sum(),
          least,
          all.stream().filter(one -> one.found() < POOR * one.holes()).count(),
          all.stream().mapToDouble(HolesJudged::worstMm).max().orElse(0));
    }
  }

  static void measure(PrintStream out) throws IOException {
    List<Double> seconds = new ArrayList<>();
    int tried = ALL - HELD_BACK;
    print(
        out,
        "both cameras",
        sum(
            tried,
            number ->
                number % 2 == 0
                    ? TakenPhoto.bench(2000 + number)
                    : TakenPhoto.table(2000 + number, TableCamera.Style.EVENING),
            seconds));
    print(
        out,
        "held back",
        sum(HELD_BACK, number -> TakenPhoto.table(number, TableCamera.Style.NOON), seconds));
    List<Double> sorted = seconds.stream().sorted().toList();
    out.printf(
        Locale.ROOT,
        "| photos: processor time of one, read and straightened | median %.2f s a megapixel | | |%n",
        sorted.get(sorted.size() / 2));
  }

  private static void print(PrintStream out, String which, Sum sum) {
    out.printf(
        Locale.ROOT,
        "| photos, %s: %d, %d refused, %d holes | %.2f %% found within 0.3 mm, %d farther off, worst"
            + " %.2f mm; least in one photo %.1f %%, %d photos below 85 %%; %.2f %% invented | | |%n",
        which,
        sum.photos(),
        sum.refused(),
        sum.holes(),
        100.0 * sum.found() / sum.holes(),
        sum.off(),
        sum.worstMm(),
        100 * sum.least(),
        sum.poor(),
        100.0 * sum.invented() / Math.max(1, sum.found() + sum.off() + sum.invented()));
  }

  private static Sum sum(int count, IntFunction<TakenPhoto> camera, List<Double> seconds)
      throws IOException {
    List<HolesJudged> all = new ArrayList<>();
    int refused = 0;
    var threads = ManagementFactory.getThreadMXBean();
    for (int i = 0; i < count; i++) {
      TakenPhoto taken = camera.apply(i);
      byte[] jpeg = PhotoFile.jpeg(taken.image());
      long from = threads.getCurrentThreadCpuTime();
      List<PointMm> seen = List.of();
      try {
        Photo photo = PhotoFile.read(jpeg);
        seen =
            Straightening.found(
                    photo, taken.board().widthMm(), taken.board().heightMm(), Watch.none())
                .holes()
                .stream()
                .map(SeenHole::at)
                .toList();
      } catch (PhotoRefused e) {
        refused++;
      }
      double took = (threads.getCurrentThreadCpuTime() - from) / 1e9;
      double megapixels = taken.image().getWidth() * taken.image().getHeight() / 1e6;
      seconds.add(took / megapixels);
      all.add(HolesJudged.of(taken.board(), seen));
    }
    return Sum.of(all, refused);
  }
}
