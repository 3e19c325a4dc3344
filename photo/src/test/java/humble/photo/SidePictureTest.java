package humble.photo;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.PointMm;
import humble.core.kit.SeenHole;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class SidePictureTest {
  private static final double WIDTH_MM = 60;
  private static final double HEIGHT_MM = 40;
  private static final double PER_MM = 14;

  /** Holes of no symmetry, and the same as a second photo would show them from below. */
  private static List<PointMm> top() {
    List<PointMm> holes = new ArrayList<>();
    for (int i = 0; i < 14; i++) {
      holes.add(new PointMm(4 + i * 17.3 % 52, 4 + i * 11.9 % 32));
    }
    return holes;
  }

  private static Straightening.Straightened drawn(List<PointMm> holes) {
    BufferedImage image =
        new BufferedImage(
            (int) (WIDTH_MM * PER_MM), (int) (HEIGHT_MM * PER_MM), BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.WHITE);
    for (PointMm hole : holes) {
      g.fill(
          new Ellipse2D.Double(
              (hole.xMm() - 0.7) * PER_MM,
              (HEIGHT_MM - hole.yMm() - 0.7) * PER_MM,
              1.4 * PER_MM,
              1.4 * PER_MM));
    }
    g.dispose();
    return new Straightening.Straightened(
        List.of(),
        Optional.empty(),
        holes.stream().map(at -> new SeenHole(at, 1.4)).toList(),
        List.of(),
        image,
        PER_MM,
        at -> new Px(0, 0),
        px -> new PointMm(0, 0));
  }

  private static boolean isLit(BufferedImage picture, double xMm, double yMm) {
    double perMm = picture.getWidth() / WIDTH_MM;
    int rgb = picture.getRGB((int) (xMm * perMm), (int) (picture.getHeight() - yMm * perMm));
    return (rgb & 255) > 128;
  }

  @Test
  void theSolderSideIsKeptAsItIsLookedAtAndItsHolesFromTheTop() throws Exception {
    List<PointMm> top = top();
    for (boolean halfTurn : new boolean[] {false, true}) {
      List<PointMm> below =
          top.stream()
              .map(at -> new PointMm(WIDTH_MM - at.xMm() + 0.4, at.yMm() - 0.3))
              .map(at -> halfTurn ? new PointMm(WIDTH_MM - at.xMm(), HEIGHT_MM - at.yMm()) : at)
              .toList();
      SidesAligned sides = SidesAligned.of(top, below);
      SidePicture kept = SidePicture.solder(drawn(below), sides, WIDTH_MM, HEIGHT_MM);
      for (int i = 0; i < top.size(); i++) {
        PointMm at = top.get(i);
        assertThat(kept.holes().get(i).at().distanceMm(at)).isLessThan(0.05);
        assertThat(isLit(kept.picture(), WIDTH_MM - at.xMm(), at.yMm()))
            .as("hole %d, half turn %s", i, halfTurn)
            .isTrue();
      }
    }
  }

  @Test
  void aPictureOverHeadIsKnownByTheOther() {
    BufferedImage bare = drawn(top()).picture();
    List<PointMm> turned =
        top().stream().map(at -> new PointMm(WIDTH_MM - at.xMm(), HEIGHT_MM - at.yMm())).toList();
    assertThat(SidePicture.isOverHead(drawn(turned).picture(), bare)).isTrue();
    assertThat(SidePicture.isOverHead(bare, bare)).isFalse();
  }
}
