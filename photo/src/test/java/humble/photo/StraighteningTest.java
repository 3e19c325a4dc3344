package humble.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import humble.bench.camera.TableCamera;
import humble.bench.camera.TakenPhoto;
import humble.core.kit.PointMm;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** The short form; the long one is {@code ./humble bench photos}. */
class StraighteningTest {
  private static final int EACH = 4;

  @Test
  void holesOfPhotosOfBothCamerasAreFoundWhereTheyAre() {
    int holes = 0;
    int found = 0;
    int invented = 0;
    for (int i = 0; i < 2 * EACH; i++) {
      PhotoTrial trial =
          PhotoTrial.of(
              "photo " + i,
              i < EACH
                  ? TakenPhoto.bench(1000 + i)
                  : TakenPhoto.table(1000 + i, TableCamera.Style.EVENING));
      assertThat(trial.refused()).as(trial.what()).isEmpty();
      assertThat(trial.judged().off()).as(trial.what()).isZero();
      assertThat(trial.judged().found())
          .as(trial.what())
          .isGreaterThan((int) (0.85 * trial.judged().holes()));
      holes += trial.judged().holes();
      found += trial.judged().found();
      invented += trial.judged().invented();
    }
    assertThat(found).isGreaterThan((int) (0.95 * holes));
    assertThat(invented).isLessThan(Math.max(3, found / 50));
  }

  private static List<Px> corners(TakenPhoto taken, double off) {
    List<Px> corners = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      PointMm at =
          taken
              .pose()
              .seen(
                  EdgeFit.cornerX(i) * taken.board().widthMm(),
                  EdgeFit.cornerY(i) * taken.board().heightMm());
      corners.add(new Px(at.xMm() + (i % 2 == 0 ? off : -off), at.yMm() + (i < 2 ? off : -off)));
    }
    return corners;
  }

  @Test
  void cornersAreTheBoardsOwnLowerLeftFirst() throws Exception {
    TakenPhoto taken = TakenPhoto.bench(1003);
    Straightening.Straightened flat =
        Straightening.found(
            Photo.of(taken.image(), 1),
            taken.board().widthMm(),
            taken.board().heightMm(),
            Watch.none());
    List<Px> truth = corners(taken, 0);
    for (int i = 0; i < 4; i++) {
      assertThat(flat.corners().get(i).distance(truth.get(i))).isLessThan(2);
    }
    assertThat(flat.open()).contains(180);
    assertThat(flat.fitMm().orElseThrow()).isLessThan(0.1);
  }

  @Test
  void cornersByHandAreDrawnToTheEdgesNearThem() throws Exception {
    TakenPhoto taken = TakenPhoto.bench(1004);
    Straightening.Straightened flat =
        Straightening.given(
            Photo.of(taken.image(), 1),
            corners(taken, 5),
            taken.board().widthMm(),
            taken.board().heightMm(),
            Watch.none());
    assertThat(flat.fitMm()).isPresent();
    List<Px> truth = corners(taken, 0);
    for (int i = 0; i < 4; i++) {
      assertThat(flat.corners().get(i).distance(truth.get(i))).isLessThan(2);
    }
  }

  @Test
  void cornersTheOtherWayRoundAreRefused() {
    TakenPhoto taken = TakenPhoto.bench(1004);
    List<Px> mirrored = corners(taken, 0).reversed();
    assertThatThrownBy(
            () -> Straightening.given(Photo.of(taken.image(), 1), mirrored, 50, 40, Watch.none()))
        .isInstanceOfSatisfying(
            PhotoRefused.class, e -> assertThat(e.phrase().key()).isEqualTo("photo.corners"));
  }

  @Test
  void whereNoBoardLiesNoneIsFound() {
    BufferedImage noise = new BufferedImage(900, 700, BufferedImage.TYPE_INT_RGB);
    Random random = new Random(4);
    for (int y = 0; y < 700; y++) {
      for (int x = 0; x < 900; x++) {
        noise.setRGB(x, y, 0x010101 * (110 + random.nextInt(30)));
      }
    }
    assertThatThrownBy(() -> Straightening.found(Photo.of(noise, 1), 50, 40, Watch.none()))
        .isInstanceOfSatisfying(
            PhotoRefused.class, e -> assertThat(e.phrase().key()).isEqualTo("photo.no.board"));
  }

  /** Two sides bowed the same way: no lens does that. */
  @Test
  void aBoardThatIsBentIsSaidToBe() {
    BufferedImage image = new BufferedImage(1200, 900, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(new Color(220, 215, 205));
    g.fillRect(0, 0, 1200, 900);
    Polygon bent = new Polygon();
    for (int i = 0; i <= 100; i++) {
      bent.addPoint(200 + 8 * i, 250 + (int) (18 * Math.sin(Math.PI * i / 100)));
    }
    for (int i = 100; i >= 0; i--) {
      bent.addPoint(200 + 8 * i, 650 + (int) (18 * Math.sin(Math.PI * i / 100)));
    }
    g.setColor(new Color(20, 90, 50));
    g.fill(bent);
    g.dispose();
    assertThatThrownBy(() -> Straightening.found(Photo.of(image, 1), 60, 30, Watch.none()))
        .isInstanceOfSatisfying(
            PhotoRefused.class, e -> assertThat(e.phrase().key()).isEqualTo("photo.bent.share"));
  }
}
