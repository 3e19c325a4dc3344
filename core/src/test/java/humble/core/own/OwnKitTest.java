package humble.core.own;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackageLibrary;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.power.FirstPower;
import humble.core.power.GateReckoning;
import humble.core.words.Words;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;

/** A kit that begins as a list and is told answer by answer. */
class OwnKitTest {
  private final Told told = new Told(list());

  private static Kit list() {
    return KitMaker.kit()
        .line("plug", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
        .line("reg", PartKind.REGULATOR, "5V", "half-round-3", null, "U2")
        .line("socket", PartKind.SOCKET, "", "socket-dip-8", null, "XU1")
        .line("chip", PartKind.IC, "tide keeper", "dip-8", null, "U1")
        .line("lamp", PartKind.LED, "", "led-5", null, "LED1")
        .line("r", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1")
        .line("sw", PartKind.SWITCH, "", "slide-3", null, "S1")
        .make();
  }

  private void put(String ref, double x, double y, double toX, double toY) {
    Kit kit = told.kit();
    List<Lie> lies =
        Footing.on(
            kit.packageNamed(kit.lineOf(ref).orElseThrow().packageId()).orElseThrow(),
            new PointMm(x, y),
            new PointMm(toX, toY),
            Side.TOP);
    told.take("place:" + ref, Placing.of(kit, "main", Side.TOP, ref, lies).orElseThrow());
  }

  private void putAll() {
    put("J1", 5, 20, 5, 14);
    put("U2", 12.7, 10.16, 17.78, 10.16);
    put("XU1", 30.48, 20.32, 38.1, 27.94);
    put("LED1", 50.8, 10.16, 53.34, 10.16);
    put("R1", 50.8, 20.32, 60.96, 20.32);
    put("S1", 20.32, 30.48, 25.4, 30.48);
  }

  private Skeleton skeleton() {
    return new Skeleton(told.kit(), told.answered());
  }

  private List<String> asked() {
    return skeleton().open().stream().map(Skeleton.Ask::id).toList();
  }

  private static PinRef pin(String text) {
    return PinRef.parse(text).orElseThrow();
  }

  private void feed() {
    told.take(Skeleton.IN, skeleton().comesIn(pin("J1.1"), pin("J1.2")));
    told.take(Skeleton.VOLTS, skeleton().volts(9, pin("J1.1"), pin("J1.2")));
    told.take(Skeleton.PLUG, skeleton().plug("centre-plus"));
    told.take(Skeleton.SWITCH, skeleton().switchedBy("S1"));
    told.take("makes:U2", skeleton().makes("U2", "3", "1", 5));
    told.take("chip:U1", skeleton().takesAt("U1", "8", "4"));
    told.take("rail:U1", skeleton().fedFrom("U1", "5V"));
  }

  @Test
  void theListIsAskedInItsOrderAndAChipFollowsItsSocket() {
    assertThat(ToPlace.of(told.kit(), Set.of()).asks())
        .extracting(ToPlace.Ask::ref)
        .containsExactly("J1", "U2", "XU1", "LED1", "R1", "S1");
    putAll();
    assertThat(ToPlace.of(told.kit(), Set.of()).asks()).isEmpty();
    Place chip = told.kit().placeOf("U1").orElseThrow();
    assertThat(chip.mount()).isEqualTo(Mount.SOCKETED);
    assertThat(Parts.of(told.kit()).socketOf("U1")).contains("XU1");
  }

  @Test
  void whatSitsOnNoBoardIsNotAskedAgain() {
    assertThat(ToPlace.of(told.kit(), Set.of("R1")).asks())
        .extracting(ToPlace.Ask::ref)
        .doesNotContain("R1");
  }

  @Test
  void placesWithoutALineAndLinesWithoutPlacesAreTold() {
    Kit kit =
        KitMaker.kit()
            .byCount("r", PartKind.RESISTOR, "1k", "axial-quarter-watt", 4)
            .line("odd", PartKind.OTHER, "", "axial-quarter-watt", null, "X1")
            .place("R99", 10, 10)
            .make();
    ToPlace open = ToPlace.of(kit, Set.of());
    assertThat(open.byCount()).containsExactly("r");
    assertThat(open.unlisted()).containsExactly("R99");
  }

  @Test
  void theWayRoundIsAGuessUntilItsMarkWasSeen() {
    putAll();
    assertThat(told.guessed()).contains("turn:LED1", "turn:XU1", "turn:U2");
    assertThat(told.guessed()).doesNotContain("turn:R1");
    assertThat(stone(Stone.Name.WAY).isReached()).isFalse();
    WayRound way = WayRound.of(Parts.of(told.kit()), "XU1").orElseThrow();
    assertThat(way.turns()).as("eight pins between the corners of a square").hasSize(4);
    told.take("turn:XU1", new Follows(way.edits(Parts.of(told.kit()), 1, "notch"), List.of()));
    assertThat(told.kit().placeOf("XU1").orElseThrow().rotationDeg())
        .as("the chip turns with its socket")
        .isEqualTo(told.kit().placeOf("U1").orElseThrow().rotationDeg())
        .isEqualTo(way.turns().get(1));
    assertThat(told.kit().placeOf("XU1").orElseThrow().marks()).containsExactly("notch:1");
    assertThat(told.guessed()).doesNotContain("turn:XU1");
  }

  @Test
  void marksStandWhereTheyArePrinted() {
    put("LED1", 10, 10, 12.54, 10);
    WayRound way = WayRound.of(Parts.of(told.kit()), "LED1").orElseThrow();
    assertThat(way.pinOf("flat")).as("the flat is at the cathode").isEqualTo("1");
    assertThat(way.pinOf("plus")).as("a plus is at the anode").isEqualTo("2");
    assertThat(way.markAt(0, "flat")).isEqualTo(way.markAt(1, "plus"));
    assertThat(WayRound.of(Parts.of(told.kit()), "R1")).as("it goes in either way").isEmpty();
  }

  @Test
  void aboutADozenAnswersLeadToTheFirstGate() {
    assertThat(stone(Stone.Name.READS).isReached()).isFalse();
    putAll();
    assertThat(asked()).startsWith(Skeleton.IN, Skeleton.VOLTS);
    feed();
    assertThat(asked()).containsExactly(Skeleton.GROUND);
    assertThat(told.answers()).isLessThanOrEqualTo(12 + 6);
    assertThat(stone(Stone.Name.READS).isReached()).isTrue();
    Kit given = FirstPower.given(told.kit(), Words.core(Locale.ROOT));
    Gate gate = given.gates().getFirst();
    assertThat(new GateReckoning(Parts.of(given)).of(gate).orElseThrow().window().holds(5))
        .as("the rail of the regulator at the empty socket")
        .isTrue();
    assertThat(new GateReckoning(Parts.of(given)).of(gate).orElseThrow().window().holds(9))
        .isFalse();
  }

  @Test
  void aChipOnTheOnlyRailIsNotAskedForIt() {
    Kit kit =
        KitMaker.kit()
            .line("plug", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
            .line("chip", PartKind.IC, "tide keeper", "dip-8", null, "U1")
            .place("J1", 5, 5)
            .place("U1", 30, 30)
            .make();
    Told own = new Told(kit);
    Skeleton first = new Skeleton(own.kit(), own.answered());
    own.take(Skeleton.IN, first.comesIn(pin("J1.1"), pin("J1.2")));
    own.take(
        Skeleton.VOLTS, new Skeleton(own.kit(), own.answered()).volts(5, pin("J1.1"), pin("J1.2")));
    own.take("chip:U1", new Skeleton(own.kit(), own.answered()).takesAt("U1", "8", "4"));
    assertThat(Parts.of(own.kit()).netOf(pin("U1.8"))).contains("VIN");
    assertThat(new Skeleton(own.kit(), own.answered()).open())
        .extracting(Skeleton.Ask::what)
        .doesNotContain(Skeleton.What.RAIL);
    assertThat(own.guessed()).as("nobody said what it draws").contains("model:U1");
  }

  @Test
  void oneSocketThatIsKnownDoesNotSpeakForTheOther() {
    Told own =
        new Told(
            KitMaker.kit()
                .line("plug", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
                .line("socket", PartKind.SOCKET, "", "socket-dip-8", null, "XU1")
                .line("socket14", PartKind.SOCKET, "", "socket-dip-14", null, "XU3")
                .line("chip", PartKind.IC, "tide keeper", "dip-8", null, "U1")
                .line("other", PartKind.IC, "tide counter", "dip-14", null, "U3")
                .place("J1", 5, 5)
                .place("XU1", 30, 30)
                .place("XU3", 60, 30)
                .place(
                    new Lie(
                            PackageLibrary.find("dip-8").orElseThrow(),
                            new PointMm(30, 30),
                            0,
                            null,
                            0)
                        .place("U1", "main", Side.TOP, Mount.SOCKETED))
                .place(
                    new Lie(
                            PackageLibrary.find("dip-14").orElseThrow(),
                            new PointMm(60, 30),
                            0,
                            null,
                            0)
                        .place("U3", "main", Side.TOP, Mount.SOCKETED))
                .make());
    own.take(
        Skeleton.IN, new Skeleton(own.kit(), own.answered()).comesIn(pin("J1.1"), pin("J1.2")));
    own.take(
        Skeleton.VOLTS, new Skeleton(own.kit(), own.answered()).volts(5, pin("J1.1"), pin("J1.2")));
    own.take("chip:U1", new Skeleton(own.kit(), own.answered()).takesAt("U1", "8", "4"));
    Kit given = FirstPower.given(own.kit(), Words.core(Locale.ROOT));
    assertThat(given.gates()).hasSize(1);
    assertThat(
            Stones.of(given, own.answered(), own.guessed()).stream()
                .filter(stone -> stone.name() == Stone.Name.READS)
                .findFirst()
                .orElseThrow()
                .away())
        .containsExactly("chip:U3");
    assertThat(reads(own).isReached()).isFalse();
    own.take("chip:U3", Follows.nothing());
    assertThat(reads(own).isReached()).as("nobody knows it, and it was said").isTrue();
  }

  @Test
  void aChipWhoseSocketSitsNowhereIsAskedForItself() {
    assertThat(ToPlace.of(told.kit(), Set.of("XU1")).asks())
        .extracting(ToPlace.Ask::ref)
        .contains("U1");
  }

  @Test
  void aChipStandsOnThePadsOfItsSocketHoweverWideThatIs() {
    List<Lie> lies =
        Footing.on(
            PackageLibrary.find("socket-dip-8").orElseThrow(),
            new PointMm(20, 20),
            new PointMm(30.16, 27.62),
            Side.TOP);
    List<Edit> edits = Placing.of(told.kit(), "main", Side.TOP, "XU1", lies).orElseThrow().edits();
    assertThat(edits)
        .filteredOn(Edit.PutPackage.class::isInstance)
        .extracting(edit -> ((Edit.PutPackage) edit).pack().pins())
        .as("one for the socket, one for the chip")
        .hasSize(2)
        .containsOnly(lies.getFirst().pack().pins());
  }

  @Test
  void whatAKitSaysIsNotAsked() {
    Kit kit =
        KitMaker.kit()
            .line("plug", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
            .place("J1", 5, 5)
            .net("IN", "J1.1")
            .net("GND", "J1.2")
            .supply("in", 9, 100, "IN", "GND")
            .make();
    assertThat(new Skeleton(kit, Set.of()).open())
        .extracting(Skeleton.Ask::id)
        .containsExactly(Skeleton.PLUG);
  }

  @Test
  void aKitWithoutAnythingHasReachedNothing() {
    Kit empty = KitMaker.kit().make();
    assertThat(Stones.of(empty, Set.of(), Set.of()))
        .noneMatch(Stone::isReached)
        .allMatch(stone -> stone.share() == 0);
    assertThat(Stones.of(empty, Set.of(), Set.of()).getFirst().away()).containsExactly("list");
  }

  @Test
  void everyPadThatMattersIsCountedUntilItIsJoined() {
    putAll();
    int before = stone(Stone.Name.WRONG).away().size();
    told.take("join:R1.1", Joining.joined(told.kit(), List.of(pin("R1.1"), pin("LED1.2"))));
    assertThat(stone(Stone.Name.WRONG).away()).hasSize(before - 2);
    told.take("alone:R1.2", Follows.nothing());
    assertThat(stone(Stone.Name.WRONG).away()).hasSize(before - 3);
  }

  @Test
  void whereNothingIsSocketedNoCurrentIsExpectedBeforeAllIsJoined() {
    Told toy =
        new Told(
            KitMaker.kit()
                .line("plug", PartKind.CONNECTOR, "", "jack-barrel", null, "J1")
                .line("r", PartKind.RESISTOR, "1k", "axial-quarter-watt", null, "R1")
                .line("lamp", PartKind.LED, "", "led-5", null, "LED1")
                .place("J1", 5, 5)
                .place("R1", 20, 5)
                .place("LED1", 40, 5)
                .make());
    toy.take(
        Skeleton.IN, new Skeleton(toy.kit(), toy.answered()).comesIn(pin("J1.1"), pin("J1.2")));
    toy.take(
        Skeleton.VOLTS, new Skeleton(toy.kit(), toy.answered()).volts(5, pin("J1.1"), pin("J1.2")));
    toy.take(Skeleton.PLUG, new Skeleton(toy.kit(), toy.answered()).plug("centre-plus"));
    Words words = Words.core(Locale.ROOT);
    assertThat(FirstPower.given(toy.kit(), words).gates()).isEmpty();
    assertThat(reads(toy).isReached()).isFalse();
    assertThat(reads(toy).away()).containsExactlyInAnyOrder("R1.1", "R1.2", "LED1.1", "LED1.2");
    toy.take("1", Joining.joined(toy.kit(), List.of(pin("J1.1"), pin("R1.1"))));
    toy.take("2", Joining.joined(toy.kit(), List.of(pin("R1.2"), pin("LED1.2"))));
    toy.take("3", Joining.joined(toy.kit(), List.of(pin("LED1.1"), pin("J1.2"))));
    Kit given = FirstPower.given(toy.kit(), words);
    assertThat(given.gates()).hasSize(1);
    assertThat(
            new GateReckoning(Parts.of(given))
                .of(given.gates().getFirst())
                .orElseThrow()
                .window()
                .holds(3e-3))
        .as("(5 - 2) V over 1 kΩ")
        .isTrue();
    assertThat(reads(toy).isReached()).isTrue();
  }

  private static Stone reads(Told told) {
    return Stones.of(told.kit(), told.answered(), told.guessed()).stream()
        .filter(stone -> stone.name() == Stone.Name.READS)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aChipOfWhichNothingIsKnownIsNoCertainty() {
    Kit kit =
        KitMaker.kit()
            .line("chip", PartKind.IC, "tide keeper", "dip-8", null, "U1")
            .place("U1", 30, 30)
            .make();
    assertThat(Stones.of(kit, Set.of(), Set.of()).getLast().away()).containsExactly("model:U1");
  }

  @Test
  void joiningTwoNetsMakesOneOfThem() {
    putAll();
    told.take("a", Joining.joined(told.kit(), List.of(pin("R1.1"), pin("LED1.2"))));
    told.take("b", Joining.joined(told.kit(), List.of(pin("R1.2"), pin("XU1.3"))));
    told.take("c", Joining.joined(told.kit(), List.of(pin("R1.1"), pin("R1.2"))));
    assertThat(told.kit().nets().values())
        .anySatisfy(pins ->
            assertThat(pins)
                .containsExactlyInAnyOrder(pin("R1.1"), pin("LED1.2"), pin("R1.2"), pin("XU1.3")));
  }

  /** The pads of a board as it really is: groups that beep. */
  private static Predicate<Buzzing.Pair> board(List<Set<String>> groups) {
    return pair ->
        groups.stream()
            .anyMatch(g -> g.contains(pair.a().toString()) && g.contains(pair.b().toString()));
  }

  private List<Buzzing.Pair> buzz(Predicate<Buzzing.Pair> beeps) {
    List<Buzzing.Pair> asked = new ArrayList<>();
    Map<String, String> said = new LinkedHashMap<>();
    for (int i = 0; i < 100; i++) {
      Buzzing buzzing = new Buzzing(told.kit(), said);
      List<Buzzing.Pair> open = buzzing.open();
      if (open.isEmpty()) {
        return asked;
      }
      Buzzing.Pair pair = open.getFirst();
      asked.add(pair);
      boolean heard = beeps.test(pair);
      told.take(pair.id(), buzzing.buzzed(pair, heard));
      said.put(pair.id(), heard ? Buzzing.JOINED : Buzzing.OPEN);
    }
    throw new AssertionError("it never has enough: " + asked);
  }

  private static final List<Set<String>> AS_THOUGHT =
      List.of(
          Set.of("J1.2", "U2.2", "U1.4"),
          Set.of("J1.1", "S1.1"),
          Set.of("S1.2", "U2.3"),
          Set.of("U2.1", "U1.8"));

  @Test
  void whereEverythingIsAsThoughtTheFewestPairsAreBuzzed() {
    putAll();
    feed();
    List<Buzzing.Pair> asked = buzz(board(AS_THOUGHT));
    int within = AS_THOUGHT.stream().mapToInt(group -> group.size() - 1).sum();
    assertThat(asked)
        .as("one less than pads in each net, and every two of four nets")
        .hasSize(within + 6);
    assertThat(new HashSet<>(asked)).hasSameSizeAs(asked);
    assertThat(asked).allMatch(pair -> pair.should() != Buzzing.Should.TELL);
  }

  @Test
  void aPadOnAnotherRailIsFoundThere() {
    putAll();
    feed();
    List<Buzzing.Pair> asked =
        buzz(
            board(
                List.of(
                    Set.of("J1.2", "U2.2", "U1.4"),
                    Set.of("J1.1", "S1.1"),
                    Set.of("S1.2", "U2.3", "U1.8"),
                    Set.of("U2.1"))));
    assertThat(Parts.of(told.kit()).netOf(pin("U1.8")))
        .isEqualTo(Parts.of(told.kit()).netOf(pin("S1.2")));
    assertThat(asked).hasSizeLessThan(16);
  }

  @Test
  void railsThatBeepAreAShort() {
    putAll();
    feed();
    Map<String, String> said = new LinkedHashMap<>();
    said.put("buzz:J1.2|U2.1", Buzzing.JOINED);
    assertThat(new Buzzing(told.kit(), said).shorts())
        .extracting(Buzzing.Pair::net)
        .containsExactly("5V");
    assertThat(new Buzzing(told.kit(), Map.of()).shorts()).isEmpty();
  }

  @Test
  void whatIsBuiltAndTheKitForgetsIsNamed() {
    putAll();
    Build build =
        build(
            new BuildEvent.Fitted("fit:R1", List.of("R1"), 2),
            new BuildEvent.Fitted("fit:R77", List.of("R77"), 2),
            new BuildEvent.Counted("gone", 3),
            new BuildEvent.Chose("voice", "loud"));
    assertThat(Contradicted.of(told.kit(), build))
        .extracting(phrase -> phrase.key())
        .containsExactlyInAnyOrder(
            "own.against.fitted", "own.against.counted", "own.against.choice");
    told.take("gone", new Follows(List.of(new Edit.DropPlace("R1")), List.of()));
    assertThat(Contradicted.of(told.kit(), build))
        .extracting(phrase -> phrase.key())
        .contains("own.against.placeless");
  }

  private static Build build(BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(new BuildEvent.Entry(entries.size() + 1, Instant.EPOCH, event));
    }
    return Build.of("b", entries);
  }

  private Stone stone(Stone.Name name) {
    return Stones.of(told.kit(), told.answered(), told.guessed()).stream()
        .filter(stone -> stone.name() == name)
        .findFirst()
        .orElseThrow();
  }

  /** A kit with the edits so far, applied by the words of the edits alone. */
  private static final class Told {
    private Kit kit;
    private final Set<String> answered = new HashSet<>();
    private final Set<String> guessed = new HashSet<>();

    Told(Kit kit) {
      this.kit = kit;
    }

    Kit kit() {
      return kit;
    }

    Set<String> answered() {
      return answered;
    }

    Set<String> guessed() {
      return guessed;
    }

    int answers() {
      return answered.size();
    }

    void take(String question, Follows follows) {
      answered.add(question);
      guessed.remove(question);
      guessed.addAll(follows.guessed());
      for (Edit edit : follows.edits()) {
        kit = applied(edit);
      }
    }

    private Kit applied(Edit edit) {
      List<Place> places = new ArrayList<>(kit.places());
      Map<String, List<PinRef>> nets = new LinkedHashMap<>(kit.nets());
      switch (edit) {
        case Edit.PutPlace e -> {
          places.removeIf(place -> place.ref().equals(e.place().ref()));
          places.add(e.place());
        }
        case Edit.DropPlace e -> places.removeIf(place -> place.ref().equals(e.ref()));
        case Edit.PutNet e -> nets.put(e.net(), e.pins());
        case Edit.DropNet e -> nets.remove(e.net());
        case Edit.ActsAs e -> {
          return kit.withLines(
              kit.lines().stream()
                  .map(l -> l.id().equals(e.line()) ? l.with(l.refs(), e.model()) : l)
                  .toList());
        }
        case Edit.InPackage e -> {
          return kit.withLines(
              kit.lines().stream()
                  .map(l -> l.id().equals(e.line()) ? l.inPackage(e.packageId(), l.model()) : l)
                  .toList());
        }
        case Edit.PutSupply e -> {
          return kit.withSupplies(List.of(e.supply()));
        }
        case Edit.PutBoard e -> throw new AssertionError(edit);
        case Edit.PutLine e -> throw new AssertionError(edit);
        case Edit.HasRefs e -> throw new AssertionError(edit);
        case Edit.PutPackage e -> throw new AssertionError(edit);
        case Edit.PutState e -> throw new AssertionError(edit);
        case Edit.PutGate e -> throw new AssertionError(edit);
        case Edit.PutCase e -> throw new AssertionError(edit);
      }
      return kit.withBoard(places, nets);
    }
  }

  @Test
  void regulatorsAreFedFromWhatTheSwitchLeads() {
    putAll();
    feed();
    Parts parts = Parts.of(told.kit());
    assertThat(parts.netOf(pin("U2.3"))).contains("VSW");
    assertThat(parts.netOf(pin("S1.1"))).contains("VIN");
    assertThat(parts.netOf(pin("U2.2"))).contains("GND");
    assertThat(parts.get("U2").model()).isInstanceOf(Model.Regulator.class);
    assertThat(PackageLibrary.find("half-round-3")).isPresent();
  }
}
