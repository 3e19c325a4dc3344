package humble.benchmarks;

import humble.core.kit.Board;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Sketch;
import humble.desktop.draw.Token;
import humble.formats.board.BoardLayers;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.canvas.Canvas;
import javafx.stage.Stage;

/**
 * Moves and turns a board of 5,000 pads and 20,000 strokes of legend, read from its files, as fast
 * as frames can be drawn, and prints how many a second; then one shape in the same window.
 */
public final class FrameProbe {
  private static final int PADS_X = 100;
  private static final int PADS_Y = 50;
  private static final int STROKES = 20_000;
  private static final double WIDTH = 836;
  private static final double HEIGHT = 620;
  private static final long WARM_NS = 1_500_000_000L;
  private static final long MEASURE_NS = 4_000_000_000L;

  private FrameProbe() {}

  /** What is drawn in frame {@code number}. */
  private interface Frame {
    void draw(Pen pen, int number);
  }

  /** Measures and prints three lines: pan, turn, bare. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    Path folder = kit();
    Kit kit =
        switch (KitFolder.at(folder).read()) {
          case KitRead.Opened opened -> opened.kit();
          case KitRead.Refused refused -> throw new IOException(refused.findings().toString());
        };
    Parts parts = Parts.of(kit);
    Board board = kit.boards().getFirst();
    Optional<BoardLayers> layers =
        Optional.of(BoardLayers.read(board, KitFolder.at(folder)::bytes));
    Faces faces =
        new Faces(
            b -> layers, view -> Optional.empty(), (drawing, then) -> then.accept(drawing.get()));
    Frame pan =
        (pen, n) -> {
          PointMm at = new PointMm(80 + 30 * Math.cos(n * 0.02), 50 + 20 * Math.sin(n * 0.02));
          BoardView view = new BoardView(board, Side.TOP, 0);
          BoardPicture.closeUp(parts, view, 0, 0, WIDTH, HEIGHT, at, new PointMm(0, 0), 60)
              .paint(pen, Set.of(), Set.of(), Set.of(), faces);
        };
    Frame turn =
        (pen, n) ->
            new BoardPicture(parts, new BoardView(board, Side.TOP, 90 * n), 0, 0, WIDTH, HEIGHT)
                .paint(pen, Set.of(), Set.of(), Set.of(), faces);
    Frame bare = (pen, n) -> pen.box(n % 200, n % 100, 600, 400, 0, Token.COPPER, null);
    CountDownLatch started = new CountDownLatch(1);
    Platform.startup(started::countDown);
    started.await();
    Canvas canvas = new Canvas(WIDTH, HEIGHT);
    CountDownLatch shown = new CountDownLatch(1);
    Platform.runLater(() -> {
      Stage stage = new Stage();
      stage.setScene(new Scene(new Group(canvas), 1280, 800));
      stage.show();
      shown.countDown();
    });
    shown.await();
    out.printf(Locale.ROOT, "pan %.1f%n", framesASecond(canvas, pan));
    out.printf(Locale.ROOT, "turn %.1f%n", framesASecond(canvas, turn));
    out.printf(Locale.ROOT, "bare %.1f%n", framesASecond(canvas, bare));
    System.exit(0);
  }

  private static double framesASecond(Canvas canvas, Frame frame) throws InterruptedException {
    CountDownLatch over = new CountDownLatch(1);
    double[] result = new double[1];
    Palette palette = Palette.of("day");
    Platform.runLater(() -> {
      Sketch sketch = new Sketch(canvas);
      new AnimationTimer() {
        private long begun;
        private int before;
        private int count;

        @Override
        public void handle(long now) {
          begun = begun == 0 ? now : begun;
          if (now - begun < WARM_NS) {
            before = count;
          }
          Pen pen = new Pen(palette);
          frame.draw(pen, count++);
          sketch.show(pen);
          if (now - begun > WARM_NS + MEASURE_NS) {
            stop();
            result[0] = (count - before) * 1e9 / (now - begun - WARM_NS);
            over.countDown();
          }
        }
      }.start();
    });
    over.await();
    return result[0];
  }

  private static Path kit() throws IOException {
    Path folder = Files.createTempDirectory("humble-frames");
    StringBuilder copper = head("Copper,L1,Top");
    copper.append("%ADD10C,1.2*%\nD10*\n");
    StringBuilder mask = head("Soldermask,Top");
    mask.append("%ADD10C,1.3*%\nD10*\n");
    for (int i = 0; i < PADS_X; i++) {
      for (int k = 0; k < PADS_Y; k++) {
        String at = at(1 + i * 158.0 / PADS_X, 1 + k * 98.0 / PADS_Y) + "D03*\n";
        copper.append(at);
        mask.append(at);
      }
    }
    StringBuilder legend = head("Legend,Top");
    legend.append("%ADD10C,0.15*%\nD10*\n");
    java.util.Random random = new java.util.Random(5);
    for (int i = 0; i < STROKES; i++) {
      double x = random.nextDouble(2, 157);
      double y = random.nextDouble(2, 97);
      legend.append(at(x, y)).append("D02*\n");
      legend
          .append(at(x + random.nextDouble(-1.5, 1.5), y + random.nextDouble(-1.5, 1.5)))
          .append("D01*\n");
    }
    Files.writeString(folder.resolve("copper.gbr"), copper.append("M02*\n"));
    Files.writeString(folder.resolve("mask.gbr"), mask.append("M02*\n"));
    Files.writeString(folder.resolve("legend.gbr"), legend.append("M02*\n"));
    Files.writeString(
        folder.resolve("kit.json"),
        """
        {"format": "humble-kit/1", "id": "frames", "name": "A board of many pads", "kind": "module",
         "boards": [{"id": "main", "revision": "A", "width_mm": 160, "height_mm": 100,
           "files": {"copper_top": "copper.gbr", "mask_top": "mask.gbr", "legend_top": "legend.gbr"}}],
         "lines": [], "places": []}
        """);
    return folder;
  }

  private static StringBuilder head(String function) {
    return new StringBuilder("%FSLAX46Y46*%\n%MOMM*%\n%TF.FileFunction,")
        .append(function)
        .append("*%\n");
  }

  private static String at(double xMm, double yMm) {
    return "X" + Math.round(xMm * 1e6) + "Y" + Math.round(yMm * 1e6);
  }
}
