package humble.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.BuildEvent;
import humble.core.mend.FaultKind;
import humble.core.mend.Habits;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HabitsOfBenchTest {
  @TempDir Path home;

  private void write(boolean practice, int faults) {
    JournalOpen opened = Journal.open(home.resolve("bench.db"), Clock.systemUTC());
    try (Journal journal = ((JournalOpen.Opened) opened).journal()) {
      for (int i = 0; i < faults; i++) {
        String build = "lamp-" + i % 3;
        journal.append(
            build, new BuildEvent.Mended("on", "short:U1." + i + "-U1." + (i + 1), 3, practice));
      }
    }
  }

  private double bridges() {
    return new HabitsOfBench(home.resolve("bench.db")).get().share(FaultKind.SHORT);
  }

  @Test
  void faultsFoundOnAnyBuildOfTheBenchCount() {
    write(false, 12);
    assertThat(bridges()).isGreaterThan(2 * Habits.usual().share(FaultKind.SHORT));
  }

  @Test
  void whatThePracticeBenchHidTeachesNothing() {
    write(true, 12);
    assertThat(bridges()).isEqualTo(Habits.usual().share(FaultKind.SHORT));
  }

  @Test
  void aJournalThatCannotBeReadTeachesNothing() throws Exception {
    Files.writeString(home.resolve("bench.db"), "no journal at all, but long enough to be one");
    assertThat(bridges()).isEqualTo(Habits.usual().share(FaultKind.SHORT));
  }
}
