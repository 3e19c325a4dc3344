package humble.core.casing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.kit.Enclosure;
import humble.core.kit.Enclosure.LayerKind;
import humble.core.kit.Kit;
import humble.core.kit.Mount;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.route.Step;
import humble.core.units.Band;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What follows from what lies on what: room, facing boards, leads, holes. */
class StackFitTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static Enclosure.Layer layer(String id, LayerKind kind, double low, double high) {
    return layer(id, kind, low, high, null);
  }

  private static Enclosure.Layer layer(
      String id, LayerKind kind, double low, double high, Enclosure.@Nullable Lies lies) {
    return new Enclosure.Layer(
        id, "the " + id, new Band(low, high), Optional.of(kind), "", Optional.ofNullable(lies));
  }

  private static Enclosure stack(Enclosure.Layer... layers) {
    return new Enclosure("", List.of(layers), List.of(), List.of(), List.of());
  }

  private static Place place(String ref, String board, Side side, double x, double y, double turn) {
    return new Place(
        ref,
        board,
        side,
        new PointMm(x, y),
        turn,
        Mount.FLUSH,
        0,
        null,
        null,
        null,
        null,
        List.of(),
        List.of(),
        0,
        1);
  }

  private static CaseFit fit(KitMaker kit) {
    return CaseFit.of(kit.make(), Map.of());
  }

  /** A button is a box: what stands on what is worked out without any outline. */
  private record Box(String ref, boolean tails, double x, double y, double w, double h, double mm) {
    boolean over(Box o) {
      return Math.abs(x - o.x) < w + o.w && Math.abs(y - o.y) < h + o.h;
    }
  }

  private static Box box(String ref, double x, double y, double turn, boolean tails) {
    boolean across = turn == 0 || turn == 180;
    double w = tails ? 3.25 + 0.7 : 3.25;
    double h = tails ? 2.25 + 0.7 : 3;
    return new Box(ref, tails, x, y, across ? w : h, across ? h : w, tails ? 3.3 - 1.6 : 5);
  }

  @Property(tries = 60)
  void facingBoardsAreHeldAgainstEachOtherPartByPart(
      @ForAll long seed, @ForAll boolean turned, @ForAll @IntRange(min = 2, max = 30) int parts) {
    Random random = new Random(seed);
    String[] refs = new String[parts];
    KitMaker kit = KitMaker.kit().board("back", 70, 50);
    List<Box> front = new ArrayList<>();
    List<Box> behind = new ArrayList<>();
    for (int i = 0; i < parts; i++) {
      String ref = "S" + (i + 1);
      refs[i] = ref;
      double turn = 90 * random.nextInt(4);
      if (random.nextBoolean()) {
        Side side = random.nextBoolean() ? Side.TOP : Side.BOTTOM;
        double x = 5 + random.nextDouble() * 70;
        double y = 5 + random.nextDouble() * 50;
        kit.place(place(ref, "main", side, x, y, turn));
        front.add(box(ref, x, y, turn, side == Side.TOP));
      } else {
        Side side = random.nextBoolean() ? Side.TOP : Side.BOTTOM;
        double x = 5 + random.nextDouble() * 60;
        double y = 5 + random.nextDouble() * 40;
        kit.place(place(ref, "back", side, x, y, turn));
        Side faces = turned ? Side.BOTTOM : Side.TOP;
        behind.add(box(ref, 7 + (turned ? 70 - x : x), 4 + y, turn, side != faces));
      }
    }
    kit.line("s", PartKind.BUTTON, "", "tact-6", null, refs);
    double room = 6 + random.nextDouble() * 5;
    kit.casing(
        stack(
            layer(
                "main", LayerKind.BOARD, 1.5, 1.7, new Enclosure.Lies(new PointMm(0, 0), Side.TOP)),
            layer("post", LayerKind.POST, room, room + 0.2),
            layer(
                "back",
                LayerKind.BOARD,
                1.5,
                1.7,
                new Enclosure.Lies(new PointMm(7, 4), turned ? Side.BOTTOM : Side.TOP))));
    List<Facing> found = fit(kit).facing();
    for (Box body : front) {
      // A lead keeps half a millimetre from what it must not touch; legs of a button bear 1 mm.
      double most =
          behind.stream()
              .filter(body::over)
              .mapToDouble(o -> o.mm() + (o.tails() || body.tails() ? 0.5 : 0))
              .max()
              .orElse(Double.NaN);
      List<Facing> of = found.stream().filter(f -> f.ref().equals(body.ref())).toList();
      if (Double.isNaN(most)) {
        assertThat(of).isEmpty();
      } else {
        assertThat(of)
            .singleElement()
            .satisfies(f -> {
              assertThat(f.tails()).isEqualTo(body.tails());
              assertThat(f.roomMm()).isEqualTo(room);
              boolean cut = f.tails() != f.otherTails() && room - 5 - 0.5 >= 1.0;
              if (body.mm() + most <= room + 1e-9 || !cut) {
                assertThat(f.needsMm()).isCloseTo(body.mm() + most, within(1e-6));
                assertThat(f.ok()).isEqualTo(body.mm() + most <= room + 1e-9);
              } else {
                assertThat(f.ok()).as("cut shorter it has room").isTrue();
                assertThat(f.needsMm()).isBetween(room - 0.1001, room + 1e-6);
              }
            });
      }
    }
  }

  @Test
  void boardsOfWhichNobodySaysHowTheyLieAreNoMisfitButAQuestion() {
    KitMaker kit =
        KitMaker.kit()
            .board("back", 70, 50)
            .line("s", PartKind.BUTTON, "", "tact-6", null, "S1", "S2")
            .place(place("S1", "main", Side.BOTTOM, 20, 20, 0))
            .place(place("S2", "back", Side.TOP, 60, 40, 0))
            .casing(
                stack(
                    layer("main", LayerKind.BOARD, 1.5, 1.7),
                    layer("post", LayerKind.POST, 9, 9.2),
                    layer("back", LayerKind.BOARD, 1.5, 1.7)));
    CaseFit fit = fit(kit);
    assertThat(fit.misfits()).isEmpty();
    assertThat(fit.unsaid()).extracting(Phrase::key).containsExactly("case.unsaid.lies");
  }

  @Test
  void whatNothingKeepsApartIsAskedAndNotTakenForRoom() {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 20, 20)
            .casing(
                stack(
                    layer("main", LayerKind.BOARD, 1.5, 1.7),
                    layer("floor", LayerKind.PLATE, 2, 2)));
    CaseFit fit = fit(kit);
    assertThat(fit.ok()).isTrue();
    assertThat(fit.tails()).isEmpty();
    assertThat(fit.unsaid()).extracting(Phrase::key).containsExactly("case.unsaid.apart");
  }

  /** The floor is 2, 1.5 and 1.2 mm behind: nothing to do, cut shorter, no room for a joint. */
  @ParameterizedTest
  @ValueSource(doubles = {2.0, 1.5, 1.2})
  void leadsAreCutToWhatTheFloorLeaves(double floor) {
    KitMaker kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 20, 20)
            .casing(
                stack(
                    layer("main", LayerKind.BOARD, 1.5, 1.7),
                    layer("washer", LayerKind.WASHER, floor, floor + 0.1),
                    layer("floor", LayerKind.PLATE, 2, 2)));
    CaseFit fit = fit(kit);
    assertThat(fit.tails())
        .singleElement()
        .satisfies(t -> {
          assertThat(t.isCut()).isEqualTo(floor < 2);
          assertThat(t.ok()).isEqualTo(floor - 0.5 >= 0.8);
        });
    Step step =
        plan(kit.parts()).stream().filter(s -> s.refs().contains("R1")).findFirst().orElseThrow();
    String said = String.join(" ", step.because().stream().map(WORDS::say).toList());
    if (floor == 2.0) {
      assertThat(fit.cut("R1")).isEmpty();
      assertThat(said).doesNotContain("leads");
    } else if (floor == 1.5) {
      assertThat(fit.misfits()).isEmpty();
      assertThat(said).contains("Cut the leads of R1 to at most 1.0 mm");
    } else {
      assertThat(fit.misfits())
          .singleElement()
          .satisfies(misfit -> {
            assertThat(misfit.kind()).isEqualTo(Misfit.Kind.TAILS);
            assertThat(misfit.missingMm()).isCloseTo(0.1, within(1e-6));
            assertThat(cures(misfit)).contains("the washer: at least 1.3 mm instead of 1.2 mm.");
          });
      assertThat(said).contains("0.8 mm are the least that a joint needs");
    }
  }

  private static List<Step> plan(Parts parts) {
    try {
      return Planner.plan(parts, School.LOW, Map.of(), 0, Set.of()).steps();
    } catch (humble.core.route.NoPlan e) {
      throw new AssertionError(e);
    }
  }

  private static List<String> cures(Misfit misfit) {
    return misfit.cures().stream().map(cure -> WORDS.say(cure.how())).toList();
  }

  @Test
  void aCanUnderADisplayIsFoundBeforeItIsSolderedWithEveryWayOut() throws Exception {
    KitMaker kit =
        KitMaker.kit()
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .line("d", PartKind.DISPLAY, "", "header-1x4", null, "DISP1")
            .place("C1", Side.TOP, 40, 20, 0, Mount.FLUSH, 0, "DISP1")
            .place("DISP1", Side.TOP, 40, 30, 0, Mount.RAISED, 9, null);
    CaseFit fit = fit(kit);
    assertThat(fit.misfits())
        .singleElement()
        .satisfies(misfit -> {
          assertThat(misfit.kind()).isEqualTo(Misfit.Kind.COVER);
          assertThat(misfit.missingMm()).isEqualTo(2);
          assertThat(cures(misfit))
              .containsExactly(
                  "Lay C1 down: it is then 5.0 mm high.",
                  "Set DISP1 higher: at least 11.0 mm off the board.");
        });
    var plan = Planner.plan(kit.parts(), School.LOW, Map.of(), 0, Set.of());
    assertThat(plan.misfits()).hasSize(1);
    Step can = plan.steps().stream().filter(s -> s.refs().contains("C1")).findFirst().orElseThrow();
    assertThat(can.because()).contains(plan.misfits().getFirst());
    assertThat(fit.of("DISP1")).as("told at the display too").hasSize(1);
    Kit lying =
        KitMaker.kit()
            .line("c", PartKind.CAPACITOR_POLARISED, "10u", "radial-5x11", null, "C1")
            .line("d", PartKind.DISPLAY, "", "header-1x4", null, "DISP1")
            .place("C1", Side.TOP, 40, 20, 0, Mount.LYING, 0, "DISP1")
            .place("DISP1", Side.TOP, 40, 30, 0, Mount.RAISED, 9, null)
            .make();
    assertThat(CaseFit.of(lying, Map.of()).ok()).isTrue();
  }

  /** What a part measures across where it stands is drawn; lying it is as high as that. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "radial-5x11",
        "radial-8x12",
        "half-round-3",
        "tab-3-upright",
        "led-3",
        "led-5",
        "crystal-tall",
        "disc-2.5",
        "disc-5",
        "film-5",
        "bead"
      })
  void aPartThatLiesIsAsHighAsItIsDrawnAcross(String pack) {
    PartKind kind = pack.startsWith("led") ? PartKind.LED : PartKind.CAPACITOR;
    Parts parts =
        KitMaker.kit()
            .line("x", kind, "", pack, null, "X1")
            .place("X1", Side.TOP, 20, 20, 0, Mount.LYING, 0, null)
            .parts();
    List<PointMm> body =
        TopView.of(parts.get("X1")).stream()
            .filter(piece -> piece.role() == Piece.Role.BODY)
            .flatMap(piece -> piece.corners().stream())
            .toList();
    double low = body.stream().mapToDouble(PointMm::yMm).min().orElseThrow();
    double high = body.stream().mapToDouble(PointMm::yMm).max().orElseThrow();
    assertThat(parts.fittedHeightMm("X1"))
        .isCloseTo(high - low, within(0.15))
        .isLessThan(parts.get("X1").pack().heightMm());
  }

  @Test
  void aPartBesideItsHoleIsToldWhichWayAndTheEnlargedHoleLetsItThrough() {
    Enclosure.Cutout hole =
        new Enclosure.Cutout("w", "front", "DISP1", new PointMm(43, 29), 30, 16, new Band(8, 9));
    KitMaker kit =
        KitMaker.kit()
            .line("d", PartKind.DISPLAY, "", "header-1x4", null, "DISP1")
            .place("DISP1", 40, 30);
    Enclosure casing =
        new Enclosure(
            "",
            List.of(layer("front", LayerKind.PLATE, 2, 2)),
            List.of(),
            List.of(),
            List.of(hole));
    Misfit misfit = fit(kit.casing(casing)).misfits().getFirst();
    assertThat(WORDS.say(misfit.said()))
        .isEqualTo(
            "DISP1 stands beside its hole in the front, 3.0 mm too far left, 1.0 mm too high.");
    Enclosure.Cutout to =
        ((Misfit.Change.Hole) misfit.cures().getFirst().change().orElseThrow()).cutout();
    // The hole that was there, and the same hole around the part, from edge to edge.
    assertThat(to.at().xMm() - to.widthMm() / 2).isCloseTo(40 - 15, within(1e-9));
    assertThat(to.at().xMm() + to.widthMm() / 2).isCloseTo(43 + 15, within(1e-9));
    assertThat(to.at().yMm() - to.heightMm() / 2).isCloseTo(29 - 8, within(1e-9));
    assertThat(to.at().yMm() + to.heightMm() / 2).isCloseTo(30 + 8, within(1e-9));
    assertThat(fit(kit.casing(casing.with(to))).ok()).isTrue();
  }

  /** A cell at the joints is asked about, film or not decides; which side it is is said. */
  @Test
  void aCellAtTheJointsWantsFilmBetween() {
    KitMaker bare =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 20, 20)
            .casing(
                stack(
                    layer("main", LayerKind.BOARD, 1.5, 1.7),
                    layer("ribs", LayerKind.SPACER, 4, 4),
                    layer("cell", LayerKind.CELL, 5, 6)));
    assertThat(fit(bare).unsaid())
        .singleElement()
        .satisfies(phrase -> {
          assertThat(phrase.key()).isEqualTo("case.unsaid.insulated.bottom");
          assertThat(WORDS.sentence(phrase)).contains("the cell", "solder side of the main");
        });
    KitMaker insulated =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 20, 20)
            .casing(
                stack(
                    layer("main", LayerKind.BOARD, 1.5, 1.7),
                    layer("ribs", LayerKind.SPACER, 4, 4),
                    layer("film", LayerKind.FILM, 0.1, 0.2),
                    layer("cell", LayerKind.CELL, 5, 6)));
    assertThat(fit(insulated).unsaid()).isEmpty();
    KitMaker above =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 20, 20)
            .casing(
                stack(
                    layer("cell", LayerKind.CELL, 5, 6),
                    layer("ribs", LayerKind.SPACER, 12, 12),
                    layer("main", LayerKind.BOARD, 1.5, 1.7)));
    assertThat(fit(above).unsaid())
        .extracting(Phrase::key)
        .containsExactly("case.unsaid.insulated.top");
  }

  private static Misfit light(double asideMm) {
    Enclosure.Cutout hole =
        new Enclosure.Cutout(
            "l", "front", "LED1", new PointMm(40 + asideMm, 30), 5, 5, new Band(0, 40));
    KitMaker kit =
        KitMaker.kit().line("l", PartKind.LED, "", "led-5", null, "LED1").place("LED1", 40, 30);
    return fit(kit.casing(
            new Enclosure(
                "",
                List.of(layer("front", LayerKind.PLATE, 2, 2)),
                List.of(),
                List.of(),
                List.of(hole))))
        .misfits()
        .getFirst();
  }

  /** Its leads reach as far as a new light has them, and no farther. */
  @Test
  void aLightIsBentIntoItsHoleAsFarAsItsLeadsReach() {
    assertThat(light(4).cures())
        .extracting(cure -> cure.how().key())
        .containsExactly("case.cure.bend", "case.cure.enlarge");
    assertThat(WORDS.say(light(4).cures().getFirst().how()))
        .contains("4.0 mm aside", "of the 24 mm", "before it is soldered");
    assertThat(light(30).cures())
        .extracting(cure -> cure.how().key())
        .contains("case.cure.bend-short")
        .doesNotContain("case.cure.bend");
    assertThat(WORDS.say(light(30).cures().getFirst().how())).contains("lengthen them with wire");
  }
}
