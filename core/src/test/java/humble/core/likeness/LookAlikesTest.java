package humble.core.likeness;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Home;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.kit.Particulars;
import humble.core.marking.BandColour;
import humble.core.stock.MeterProfile;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LookAlikesTest {
  private static Kit kit(Object... idValueTolerance) {
    List<Line> lines = new ArrayList<>();
    for (int i = 0; i < idValueTolerance.length; i += 3) {
      double tolerance = (Double) idValueTolerance[i + 2];
      lines.add(
          new Line(
              (String) idValueTolerance[i],
              PartKind.RESISTOR,
              (String) idValueTolerance[i + 1],
              tolerance,
              tolerance < 5 ? 5 : 4,
              "axial-quarter-watt",
              List.of("R" + i),
              1,
              "",
              "",
              false,
              List.of(),
              List.of(),
              Home.BOARD,
              List.of(),
              0,
              null,
              null));
    }
    return KitMaker.kit().make().withLines(lines);
  }

  private static LookAlikes of(Kit kit, Light light, Eyes eyes) {
    return LookAlikes.of(kit, light, eyes, MeterProfile.USUAL);
  }

  private static boolean alike(Particulars one, Particulars other) {
    Kit kit =
        KitMaker.kit()
            .particular("a", PartKind.LED, "", "led-3", one, "LED1")
            .particular("b", PartKind.LED, "", "led-3", other, "LED2")
            .make();
    return !of(kit, Light.DAYLIGHT, Eyes.NORMAL).pairs().isEmpty();
  }

  private static Particulars lens(String colour, boolean clear) {
    return new Particulars(
        false, colour, clear, Particulars.Method.IRON, Particulars.Soldered.NOT_YET);
  }

  @Test
  void lensesTellLightsApartUnlessTheyAreClear() {
    assertThat(alike(lens("red", false), lens("green", false))).isFalse();
    assertThat(alike(lens("red", true), lens("green", false))).isFalse();
    assertThat(alike(lens("red", true), lens("green", true))).isTrue();
    assertThat(alike(lens("red", false), lens("", false))).isTrue();
    assertThat(alike(lens("red", false), lens("Red", false))).isTrue();
  }

  @Test
  void whitePaintInDaylightIsWhite() {
    Lab white = Paint.seen(BandColour.WHITE, Paint.Body.BLUE, Light.DAYLIGHT, Eyes.NORMAL);
    assertThat(white.l()).isGreaterThan(90);
    assertThat(white.a()).isCloseTo(0, within(3.0));
    assertThat(white.b()).isCloseTo(0, within(4.0));
  }

  @ParameterizedTest
  @EnumSource(Eyes.class)
  void chancesAddUpToOneAndEveryColourIsMostLikelyItself(Eyes eyes) {
    Confusion confusion = Confusion.of(Paint.Body.BEIGE, Light.WARM, eyes);
    for (BandColour is : BandColour.values()) {
      double sum = 0;
      for (BandColour taken : BandColour.values()) {
        sum += confusion.chance(is, taken);
        assertThat(confusion.chance(is, taken)).isLessThanOrEqualTo(confusion.chance(is, is));
      }
      assertThat(sum).isCloseTo(1, within(1e-9));
    }
  }

  @Test
  void greenAndBrownAreNearerToDeutanEyesThanToOthers() {
    double others =
        Confusion.of(Paint.Body.BEIGE, Light.DAYLIGHT, Eyes.NORMAL)
            .chance(BandColour.BROWN, BandColour.GREEN);
    double deutan =
        Confusion.of(Paint.Body.BEIGE, Light.DAYLIGHT, Eyes.DEUTAN)
            .chance(BandColour.BROWN, BandColour.GREEN);
    assertThat(deutan).isGreaterThan(5 * others);
  }

  @Test
  void anOrdinaryKitInDaylightNeedsNoMeter() {
    LookAlikes none =
        of(kit("a", "220", 5.0, "b", "47k", 5.0, "c", "1M", 5.0), Light.DAYLIGHT, Eyes.NORMAL);
    assertThat(none.pairs()).isEmpty();
    assertThat(none.measure()).isEmpty();
  }

  @Test
  void bandsThatReadFromBothEndsAreLookAlikesByTurning() {
    // 10 kΩ 1 % is brown black black red brown; turned it is brown red black black brown, 120 Ω.
    LookAlikes found = of(kit("r10k", "10k", 1.0, "r120", "120", 1.0), Light.DAYLIGHT, Eyes.NORMAL);
    assertThat(found.pairs())
        .singleElement()
        .satisfies(pair -> {
          assertThat(pair.why()).isEqualTo(LookAlikes.Why.REVERSED);
          assertThat(pair.bands()).isEmpty();
          assertThat(pair.confusion()).isBetween(0.2, 0.3);
          assertThat(pair.meterSeparates()).isTrue();
        });
    assertThat(found.measure()).hasSize(1);
    assertThat(found.smallest()).isTrue();
  }

  @Test
  void whatTheMeterCannotSeparateIsSaidAndNotMeasured() {
    // Two lines of one value but another tolerance band: the meter reads both alike.
    Kit kit = kit("loose", "100", 10.0, "tight", "100", 5.0);
    LookAlikes found = of(kit, Light.WARM, Eyes.DEUTAN);
    for (LookAlikes.Pair pair : found.pairs()) {
      assertThat(pair.meterSeparates()).isFalse();
    }
    assertThat(found.cannotTell()).hasSameSizeAs(found.pairs());
    assertThat(found.measure()).isEmpty();
  }

  @Test
  void unprintedPartsInTheSameCaseCannotBeTold() {
    Kit kit =
        KitMaker.kit()
            .line("npn", PartKind.TRANSISTOR_NPN, "", "half-round-3", null, "Q1")
            .line("pnp", PartKind.TRANSISTOR_PNP, "", "half-round-3", null, "Q2")
            .make();
    LookAlikes found = of(kit, Light.DAYLIGHT, Eyes.NORMAL);
    assertThat(found.cannotTell()).containsExactly(List.of("npn", "pnp"));
    assertThat(found.pairs().getFirst().why().text()).isEqualTo("same-case");
  }

  /** Random graphs, every subset tried. */
  @Property(tries = 150)
  void theCoverIsSmallest(@ForAll long seed) {
    Random random = new Random(seed);
    int n = 2 + random.nextInt(9);
    List<String> nodes = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      nodes.add("n" + i);
    }
    List<VertexCover.Edge> edges = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      for (int k = i + 1; k < n; k++) {
        if (random.nextInt(3) == 0) {
          edges.add(new VertexCover.Edge("n" + i, "n" + k));
        }
      }
    }
    VertexCover cover = VertexCover.of(nodes, edges);
    assertThat(edges).allMatch(e -> cover.nodes().contains(e.a()) || cover.nodes().contains(e.b()));
    int smallest = n;
    for (int set = 0; set < 1 << n; set++) {
      int chosen = set;
      boolean covers =
          edges.stream()
              .allMatch(e ->
                  (chosen >> nodes.indexOf(e.a()) & 1) == 1
                      || (chosen >> nodes.indexOf(e.b()) & 1) == 1);
      smallest = covers ? Math.min(smallest, Integer.bitCount(set)) : smallest;
    }
    assertThat(cover.nodes()).hasSize(smallest);
    assertThat(cover.smallest()).isTrue();
  }
}
