package humble.photo;

import java.util.stream.IntStream;

/** The long form: as many photos as are asked for, one line each, the sum at the end. */
final class PhotoRun {
  private PhotoRun() {}

  public static void main(String[] args) {
    int from = Integer.parseInt(args[0]);
    int to = Integer.parseInt(args[1]);
    int[] sums = new int[5];
    IntStream.range(from, to)
        .parallel()
        .forEach(number -> {
          PhotoTrial.Taken taken =
              args.length > 2 ? PhotoTrial.other(number) : PhotoTrial.taken(number);
          long start = System.nanoTime();
          PhotoTrial trial = PhotoTrial.of("photo " + number, taken);
          synchronized (sums) {
            sums[0] += trial.holes();
            sums[1] += trial.found();
            sums[2] += trial.off();
            sums[3] += trial.invented();
            sums[4] += trial.found() < 0.85 * trial.holes() ? 1 : 0;
            System.out.printf(
                "%s %dx%d %.1fs%n",
                trial,
                taken.image().getWidth(),
                taken.image().getHeight(),
                (System.nanoTime() - start) / 1e9);
          }
        });
    System.out.printf(
        "holes %d found %.4f off %d invented %.4f bad photos %d%n",
        sums[0],
        (double) sums[1] / sums[0],
        sums[2],
        (double) sums[3] / (sums[1] + sums[2] + sums[3]),
        sums[4]);
  }
}
