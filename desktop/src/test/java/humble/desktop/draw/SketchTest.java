package humble.desktop.draw;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.scene.canvas.Canvas;
import javafx.scene.image.WritableImage;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** A picture that was changed piece by piece is the picture that is drawn at once. */
class SketchTest {
  private static final Palette DAY = Palette.of("day");
  private static final int WIDTH = 240;
  private static final int HEIGHT = 180;

  @BeforeAll
  static void platform() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  /** Draws some of thirty things that are the same for a seed, in their order. */
  private static Pen drawn(long things, Random which) {
    Pen pen = new Pen(DAY);
    pen.box(0, 0, WIDTH, HEIGHT, 10, Token.MAT, null);
    for (int i = 0; i < 30; i++) {
      boolean there = which.nextInt(4) > 0;
      Random thing = new Random(things * 100 + i);
      double x = thing.nextInt(200);
      double y = thing.nextInt(150);
      if (there) {
        thing(pen, thing, x, y);
      }
    }
    return pen;
  }

  private static void thing(Pen pen, Random thing, double x, double y) {
    Token token = Token.values()[thing.nextInt(Token.values().length)];
    switch (thing.nextInt(8)) {
      case 0 -> pen.box(x, y, 30, 20, 6, token, Token.INK);
      case 1 -> pen.box(x, y, 14, 9, 1, token, Token.INK);
      case 2 -> pen.disc(x, y, 12, token, Token.INK, 3);
      case 3 -> pen.line(x, y, x + 40, y + 25, token, 2);
      case 4 -> pen.text("4.7 kΩ", x, y, 15, Token.INK, Pen.Hang.MIDDLE);
      case 5 -> pen.octagon(x, y, 11, token, Token.INK);
      case 6 -> pen.glow(x, y, 20, token);
      default -> pen.arc(x, y, 14, 0.7, token, 5);
    }
  }

  private static int[] pixels(Canvas canvas) {
    WritableImage image = canvas.snapshot(null, null);
    int[] pixels = new int[WIDTH * HEIGHT];
    image
        .getPixelReader()
        .getPixels(
            0,
            0,
            WIDTH,
            HEIGHT,
            javafx.scene.image.PixelFormat.getIntArgbInstance(),
            pixels,
            0,
            WIDTH);
    return pixels;
  }

  private static Canvas canvas() {
    Canvas canvas = new Canvas(WIDTH, HEIGHT);
    new Scene(new Group(canvas), WIDTH, HEIGHT);
    return canvas;
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
  void changedPieceByPieceIsDrawnAtOnce(long seed) {
    WaitForAsyncUtils.waitForAsyncFx(
        30_000,
        () -> {
          Canvas changing = canvas();
          Sketch sketch = new Sketch(changing);
          Random which = new Random(seed);
          for (int step = 0; step < 6; step++) {
            long now = which.nextLong();
            sketch.show(drawn(seed, new Random(now)));
            Canvas atOnce = canvas();
            new Sketch(atOnce).show(drawn(seed, new Random(now)));
            assertThat(pixels(changing)).as("step %d", step).isEqualTo(pixels(atOnce));
          }
          return true;
        });
  }

  @Test
  void nothingIsInkedWhereNothingChanged() {
    Pen before = drawn(1, new Random(1));
    assertThat(Sketch.changed(before.marks(), drawn(1, new Random(1)).marks())).isEmpty();
  }

  @Test
  void onlyTheAreaOfAChangeIsInked() {
    Pen before = new Pen(DAY);
    before.disc(50, 50, 10, Token.COPPER, null, 0);
    before.disc(150, 50, 10, Token.COPPER, null, 0);
    Pen now = new Pen(DAY);
    now.disc(50, 50, 10, Token.COPPER, null, 0);
    now.disc(150, 50, 10, Token.ALARM, null, 0);
    List<Area> areas = Sketch.changed(before.marks(), now.marks());
    assertThat(areas)
        .singleElement()
        .satisfies(area -> {
          assertThat(area.left()).isBetween(136, 140);
          assertThat(area.right()).isBetween(160, 164);
        });
  }

  @Test
  void whatLiesOnWhatCounts() {
    Pen before = new Pen(DAY);
    before.disc(50, 50, 10, Token.COPPER, null, 0);
    before.disc(55, 50, 10, Token.ALARM, null, 0);
    Pen now = new Pen(DAY);
    now.disc(55, 50, 10, Token.ALARM, null, 0);
    now.disc(50, 50, 10, Token.COPPER, null, 0);
    assertThat(Sketch.changed(before.marks(), now.marks())).isNotEmpty();
  }
}
