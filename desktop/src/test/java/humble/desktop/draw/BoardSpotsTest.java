package humble.desktop.draw;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BoardSpotsTest {
  private static final Parts BADGE =
      Parts.of(
          ((KitRead.Opened)
                  KitFolder.at(Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth"))
                      .read())
              .kit());

  private static String at(List<Pen.Spot> spots, double[] px) {
    return spots.reversed().stream()
        .filter(spot -> spot.holds(px[0], px[1]))
        .map(Pen.Spot::id)
        .findFirst()
        .orElse("");
  }

  /** The middle of a part is the part, even of the smallest; the far side of a pad is the pad. */
  @ParameterizedTest
  @CsvSource({"TOP,0", "TOP,90", "BOTTOM,0", "BOTTOM,270"})
  void partsAnswerInTheirMiddleAndPadsAtTheirFarSide(Side side, int turn) {
    Board board = BADGE.kit().boards().getFirst();
    BoardPicture picture =
        new BoardPicture(BADGE, new BoardView(board, side, turn), 16, 44, 480, 480);
    Pen pen = new Pen(Palette.of("day"));
    picture.padSpots(pen, Set.of());
    picture.partSpots(pen, Set.of());
    for (String ref : List.of("LED1", "LED5", "R1", "D1", "S1")) {
      Part part = BADGE.get(ref);
      Place place = part.placed().orElseThrow();
      double[] middle = picture.px(place.at());
      assertThat(at(pen.spots(), middle)).as(ref).isEqualTo("part:" + ref);
      double[] pad = picture.px(part.padAt("1").orElseThrow());
      double outX = pad[0] + (pad[0] - middle[0]) * 0.15;
      double outY = pad[1] + (pad[1] - middle[1]) * 0.15;
      assertThat(at(pen.spots(), new double[] {outX, outY}))
          .as(ref + " pad 1")
          .isEqualTo("pad:" + ref + ".1");
    }
  }
}
