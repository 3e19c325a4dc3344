package humble.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import humble.core.circuit.Fault;
import humble.core.kit.BoardState;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.wake.AddressLines;
import humble.core.wake.ParallelLines;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the simulated controller shows follows from its circuit. */
class SimulatedWakeTest {
  private static final Kit FERRYMAN = kit("ferryman");
  private static final BoardState IDLE = FERRYMAN.state("idle").orElseThrow();

  private static Kit kit(String name) {
    Path folder = Path.of(System.getProperty("humble.root", ".."), "kits", name);
    return ((KitRead.Opened) KitFolder.at(folder).read()).kit();
  }

  private static SimulatedWake board(Kit kit, String... faults) {
    List<Fault> all = Arrays.stream(faults).map(f -> Fault.parse(f).orElseThrow()).toList();
    return new PracticeBench(Parts.of(kit), 1, all).wake();
  }

  private static <T extends Peripheral> T peripheral(Kit kit, String id, Class<T> type) {
    return kit.peripherals().stream()
        .filter(each -> each.id().equals(id))
        .map(type::cast)
        .findFirst()
        .orElseThrow();
  }

  /** Light 4 hands on what light 5 takes: either end of that joint darkens 5 and all behind. */
  @ParameterizedTest
  @CsvSource({
    "open:LED5.1,5",
    "open:LED4.4,5",
    "open:LED5.2,5",
    "open:LED5.3,5",
    "dead:LED5,5",
    "open:LED1.1,1",
    "open:LED8.4,0",
    "open:R11.1,0"
  })
  void aChainIsDarkFromWhereItsDataOrItsSupplyEnds(String fault, int from) {
    Peripheral.Chain chain = peripheral(FERRYMAN, "pearls", Peripheral.Chain.class);
    assertThat(board(FERRYMAN, fault).chain(chain, IDLE).darkFrom()).isEqualTo(from);
    assertThat(board(FERRYMAN).chain(chain, IDLE).darkFrom()).isZero();
  }

  @ParameterizedTest
  @CsvSource({"open:S3.1,''", "open:U1.3,2 6 10", "open:U1.7,5 6 7 8", "missing:S9,9"})
  void keysAreSilentWhereNoLineMoves(String fault, String silent) {
    Peripheral.Buttons keys = peripheral(FERRYMAN, "keys", Peripheral.Buttons.class);
    List<Integer> expected =
        silent.isEmpty()
            ? List.of()
            : Arrays.stream(silent.split(" ")).map(Integer::valueOf).toList();
    assertThat(board(FERRYMAN, fault).silentKeys(keys, IDLE))
        .containsExactlyInAnyOrderElementsOf(expected);
  }

  /** A switch of the panel is read at the other end of the ribbon. */
  @Test
  void aKeyIsReadOverACable() {
    Kit lock = kit("lockkeeper");
    Peripheral.Buttons switches = peripheral(lock, "switches", Peripheral.Buttons.class);
    BoardState idle = lock.state("idle").orElseThrow();
    assertThat(board(lock).silentKeys(switches, idle)).isEmpty();
    assertThat(board(lock, "missing:ribbon").silentKeys(switches, idle)).contains(9, 10, 11, 12);
  }

  @Test
  void aStickReadsItsTracksApart() {
    Peripheral.Analog stick = peripheral(FERRYMAN, "left-stick", Peripheral.Analog.class);
    SimulatedWake board = board(FERRYMAN);
    assertThat(counts(board, stick, "LX", Map.of())).isCloseTo(512, offset(2.0));
    assertThat(counts(board, stick, "LX", Map.of("JOY1.3", 1.0))).isGreaterThan(1015);
    assertThat(counts(board, stick, "LX", Map.of("JOY1.4", 1.0))).isCloseTo(512, offset(2.0));
    assertThat(counts(board, stick, "LY", Map.of("JOY1.4", 0.0))).isLessThan(8);
    assertThat(counts(board(FERRYMAN, "open:R6.1"), stick, "LX", Map.of("JOY1.3", 1.0)))
        .as("the line to the chip is broken")
        .isLessThan(8);
  }

  private static double counts(
      SimulatedWake board, Peripheral.Analog stick, String at, Map<String, Double> set) {
    return board.counts(stick, at, IDLE, set, Map.of()).orElseThrow();
  }

  /** What is read back follows from the levels at the legs of the chips that read. */
  @ParameterizedTest
  @CsvSource({
    "open:U1.1,stuck",
    "missing:R50,good",
    "open:U3.15,stuck",
    "short:U3.16-U3.17,joined",
    "short:U1.1-U1.2,joined",
    "open:RN1.1,good"
  })
  void parallelLinesCarryWhatTheCircuitLetsThrough(String fault, String state) {
    Kit lock = kit("lockkeeper");
    Peripheral.Lines data = peripheral(lock, "data", Peripheral.Lines.class);
    BoardState idle = lock.state("idle").orElseThrow();
    List<Long> words = ParallelLines.walking(8);
    assertThat(board(lock).lines().read(data, words, idle)).contains(words);
    List<Long> read = board(lock, fault).lines().read(data, words, idle).orElseThrow();
    List<String> found =
        new ParallelLines(8, words, read.stream().map(List::of).toList())
            .lines().stream().map(line -> line.state().text()).toList();
    assertThat(found).as("%s: %s", fault, found).anyMatch(each -> each.startsWith(state));
    assertThat(found.stream().filter(each -> !each.equals("good")).count())
        .isEqualTo(state.equals("good") ? 0 : state.equals("joined") ? 2 : 1);
  }

  @Test
  void anAddressLegThatHangsInTheAirIsFound() {
    Kit lock = kit("lockkeeper");
    Peripheral.Memory memory = peripheral(lock, "memory", Peripheral.Memory.class);
    BoardState idle = lock.state("idle").orElseThrow();
    assertThat(wrong(board(lock), memory, idle)).isEmpty();
    assertThat(wrong(board(lock, "open:U3.6"), memory, idle))
        .containsExactly(new AddressLines.Wrong(5, OptionalInt.empty()));
  }

  private static List<AddressLines.Wrong> wrong(
      SimulatedWake board, Peripheral.Memory memory, BoardState state) {
    List<Integer> marks = board.lines().marks(memory, state).orElseThrow();
    List<AddressLines.Access> writes = AddressLines.writes(memory.on().size());
    return AddressLines.wrong(
        memory.on().size(),
        at -> {
          for (int i = 0; i < writes.size(); i++) {
            if (writes.get(i).address() == at) {
              return marks.get(i);
            }
          }
          return -1;
        });
  }

  /** 5 V less a saturated transistor over 42 Ω is somewhat more than a tenth of an ampere. */
  @Test
  void whatIsDrivenPullsWhatItsCircuitGives() {
    OptionalDouble good = board(FERRYMAN).drivenMa("U1.15", IDLE);
    assertThat(good.orElseThrow()).isBetween(105.0, 130.0);
    assertThat(board(FERRYMAN, "open:Q1.1").drivenMa("U1.15", IDLE).orElseThrow()).isLessThan(5);
  }
}
