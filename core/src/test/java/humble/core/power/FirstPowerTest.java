package humble.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import humble.core.KitMaker;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.circuit.Feed;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import humble.core.words.Words;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FirstPowerTest {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  private static KitMaker socketed(Model second) {
    return KitMaker.kit()
        .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1", "SK2")
        .line("a", PartKind.IC, "one", "dip-8", new Model.Load("8", "4", 3, 2, Map.of()), "U1")
        .line("b", PartKind.IC, "two", "dip-8", second, "U2")
        .place("SK1", 20, 20)
        .place("SK2", 50, 20)
        .place("U1", Side.TOP, 20, 20, 0, Mount.SOCKETED, 0, null)
        .place("U2", Side.TOP, 50, 20, 0, Mount.SOCKETED, 0, null)
        .net("VCC", "U1.8", "U2.8")
        .net("GND", "U1.4", "U2.4")
        .supply("s", 5, 500, "VCC", "GND");
  }

  @Test
  void everyEmptySocketIsReadBeforeAnyChipGoesIn() {
    Kit kit =
        FirstPower.given(socketed(new Model.Load("8", "4", 5, 2, Map.of())).parts().kit(), WORDS);
    assertThat(kit.gates())
        .extracting(Gate::at)
        .containsExactly(List.of("U1.8", "U1.4"), List.of("U2.8", "U2.4"));
    assertThat(kit.gates())
        .allSatisfy(gate -> {
          assertThat(gate.before()).containsExactly("U1", "U2");
          assertThat(kit.state(gate.state()).orElseThrow().absent()).containsExactly("U1", "U2");
          assertThat(new GateReckoning(Parts.of(kit)).of(gate).orElseThrow().window().holds(5))
              .isTrue();
        });
    assertThat(FirstPower.checks(kit)).as("what has gates needs no checks in words").isEmpty();
    assertThat(FirstPower.given(kit, WORDS)).as("made once").isSameAs(kit);
  }

  @Test
  void aSocketOfWhichNothingIsKnownIsNotPassedOver() {
    Kit kit = FirstPower.given(socketed(null).parts().kit(), WORDS);
    assertThat(kit.gates()).hasSize(1);
    assertThat(kit.gates().getLast().caution()).contains("U2");
  }

  @Test
  void whereNothingIsSocketedTheCurrentIsRead() {
    Kit kit =
        FirstPower.given(
            KitMaker.kit()
                .resistor("R1", "1k")
                .net("IN", "R1.1")
                .net("GND", "R1.2")
                .supply("s", 5, 100, "IN", "GND")
                .parts()
                .kit(),
            WORDS);
    assertThat(kit.gates()).extracting(Gate::measure).containsExactly(Measured.CURRENT);
  }

  private static List<String> ids(Kit kit) {
    return FirstPower.checks(kit).stream().map(FirstPower.Check::id).toList();
  }

  @Test
  void aListWithoutNetsOrPlacesIsAskedInWordsItsSocketsToo() {
    Kit list =
        KitMaker.kit()
            .line("s", PartKind.SOCKET, "", "socket-dip-8", null, "SK1")
            .line("a", PartKind.IC, "one", "dip-8", null, "U1")
            .parts()
            .kit();
    assertThat(FirstPower.given(list, WORDS)).isSameAs(list);
    assertThat(ids(list)).containsExactly("ohms", "plug", "limit", "rails", "again", "full");
    assertThat(ids(KitMaker.kit().resistor("R1", "1k").parts().kit()))
        .as("nothing in it takes power")
        .isEmpty();
  }

  private static List<String> unproved(Kit kit, BuildEvent... events) {
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (BuildEvent event : events) {
      entries.add(new BuildEvent.Entry(entries.size() + 1, Instant.EPOCH, event));
    }
    return Unproved.of(kit, Build.of("b", entries)).stream().map(Phrase::key).toList();
  }

  @Test
  void onlyWhatWasPoweredAndTriedIsProved() {
    Kit kit =
        KitMaker.kit()
            .resistor("R1", "1k")
            .net("IN", "R1.1")
            .net("GND", "R1.2")
            .supply("s", 5, 100, "IN", "GND")
            .state("on", "s")
            .gate("rail", "on", "IN", "GND")
            .gate(Measured.RESISTANCE, "apart", "on", "IN", "GND")
            .task("ring", "test", List.of(), List.of())
            .parts()
            .kit();
    BuildEvent passed = new BuildEvent.GatePassed("rail", 5);
    BuildEvent apart = new BuildEvent.GatePassed("apart", 1000);
    BuildEvent rang = new BuildEvent.Fitted("ring", List.of(), 0);
    assertThat(unproved(kit))
        .containsExactly("unproved.power", "unproved.gate", "unproved.gate", "unproved.test");
    assertThat(unproved(kit, apart, rang))
        .as("ohms are read without power")
        .containsExactly("unproved.power", "unproved.gate");
    assertThat(unproved(kit, passed, apart, rang)).isEmpty();
    assertThat(
            unproved(
                kit,
                new BuildEvent.GateRead("apart", 1000, "Ω", "inside", false),
                new BuildEvent.GateRead("rail", 5, "inside", true),
                passed,
                apart,
                rang))
        .as("one real reading does not make the simulated one real")
        .containsExactly("unproved.practice");
    assertThat(unproved(kit, new BuildEvent.GateOverridden("rail", "late"), passed, rang))
        .containsExactly("unproved.gate");
  }

  /** Two cells on top of each other carry one current, not two. */
  @Test
  void cellsInARowCarryOneCurrent() {
    Model.Battery cell = new Model.Battery(1.5, 0.5, 1000, 0.9);
    Parts parts =
        KitMaker.kit()
            .line("b", PartKind.BATTERY, "", "coin-holder", cell, "BT1", "BT2")
            .resistor("R1", "299")
            .net("TOP", "BT2.1", "R1.1")
            .net("MIDDLE", "BT2.2", "BT1.1")
            .net("GND", "BT1.2", "R1.2")
            .state("on", null)
            .parts();
    PoweredStage stage =
        new PowerReckoning(parts).stage(parts.kit().states().getFirst(), () -> false).orElseThrow();
    assertThat(stage.nominalMa()).isCloseTo(10, within(1e-3));
    assertThat(stage.feed()).isInstanceOf(Feed.ByBatteries.class);
    assertThat(stage.feed().volts()).isEqualTo(3.0);
    assertThat(stage.feed().plus()).isEqualTo("BT2.1");
    assertThat(stage.feed().minus()).isEqualTo("BT1.2");
    double across =
        new SeriesDrop(parts, parts.kit().states().getFirst(), List.of()).volts(100).orElseThrow();
    assertThat(across).isCloseTo(3.0 * 100 / 400, within(1e-2));
  }
}
