package humble.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.budget.Budget;
import humble.core.build.BuildEvent;
import humble.core.intake.Intake;
import humble.core.intake.SheetText;
import humble.core.kit.Kit;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The bench without a window: what stands on the shelf, and what a new build brings along. */
class SessionTest {
  @TempDir Path home;

  private Session session(Path... kits) {
    Journal journal =
        switch (Journal.open(home.resolve("bench.db"), Clock.systemUTC())) {
          case JournalOpen.Opened opened -> opened.journal();
          case JournalOpen.Damaged damaged -> damaged.journal();
          case JournalOpen.Refused refused -> throw new AssertionError(refused.why());
        };
    return new Session(journal, home, List.of(kits), Runnable::run, Runnable::run);
  }

  private static Kit kit(String name, String sheet) {
    return Intake.draft(
            name, SheetText.read(sheet, "sheet", Budget.unlimited()).rows(), List.of(), Map.of())
        .kit();
  }

  @Test
  void aKitThatIsKeptStandsOnTheShelfNowAndAfterwards() throws IOException {
    Session session = session();
    Path first = session.keep(kit("Tide clock", "1 x 1k R1\n"));
    Path second = session.keep(kit("Tide clock", "1 x 2k R1\n"));
    assertThat(first).isEqualTo(home.resolve("kits/tide-clock"));
    assertThat(second).isEqualTo(home.resolve("kits/tide-clock-2"));
    assertThat(session.shelf()).hasSize(2).allMatch(Session.OnShelf.Fresh.class::isInstance);
    session.close();
    Session again = session();
    assertThat(again.shelf()).hasSize(2);
    again.close();
  }

  @Test
  void aFolderThatIsNoKitIsNotOnTheShelf() throws IOException {
    Files.createDirectories(home.resolve("kits/pictures"));
    Files.writeString(home.resolve("kits/readme.txt"), "kits go here");
    Session session = session();
    assertThat(session.shelf()).isEmpty();
    session.close();
  }

  @Test
  void aNewBuildBringsLampEyesAndMeterOfTheLastOne() throws IOException {
    Session session = session();
    Path kit = session.keep(kit("Tide clock", "1 x 1k R1\n"));
    session.layKit(kit);
    OpenBuild first = session.open().orElseThrow();
    first.act(new BuildEvent.Sees("warm", "deutan"));
    first.act(new BuildEvent.UsesMeter("pocket"));
    session.lay(session.shelf().getLast());
    OpenBuild second = session.open().orElseThrow();
    assertThat(second.build().id()).isNotEqualTo(first.build().id());
    assertThat(second.build().sees().orElseThrow().eyes()).isEqualTo("deutan");
    assertThat(second.build().meter()).contains("pocket");
    assertThat(second.takeBack()).as("what the bench brought is not taken back").isFalse();
    session.close();
  }

  @Test
  void movesAreReckonedAndTakenBack() throws IOException {
    Session session = session();
    session.layKit(session.keep(kit("Tide clock", "2 x 1k R1-R2\n1 x 2k2 R3\n1 x 22uF C1\n")));
    OpenBuild open = session.open().orElseThrow();
    List<String> before = steps(open);
    assertThat(before).containsExactly("fit:R1", "fit:R3", "fit:C1");
    open.act(new BuildEvent.Moved("fit:C1", "fit:R1"));
    assertThat(steps(open)).containsExactly("fit:C1", "fit:R1", "fit:R3");
    open.takeBack();
    assertThat(steps(open)).isEqualTo(before);
    session.close();
  }

  private static List<String> steps(OpenBuild open) {
    return open.plan().orElseThrow().steps().stream().map(step -> step.id()).toList();
  }

  @Test
  void theReachIsReckonedOnlyWhereSomethingIsShort() throws IOException {
    Session session = session();
    session.layKit(session.keep(kit("Tide clock", "2 x 1k R1-R2\n1 x 22uF C1\n")));
    OpenBuild open = session.open().orElseThrow();
    assertThat(open.reckoned().orElseThrow().reach()).isEmpty();
    String line = open.kit().lines().getFirst().id();
    open.act(new BuildEvent.Counted(line, 1));
    assertThat(open.lacking()).containsExactly("R2");
    var reach = open.reckoned().orElseThrow().reach().orElseThrow();
    assertThat(reach.minutes()).isLessThan(reach.allMinutes());
    session.close();
  }

  @Test
  void whatCannotBeReadStandsOnTheShelfAsSuchAndTheRestWorks() throws Exception {
    Path glowmoth = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth");
    Path odd = Files.createDirectories(home.resolve("odd"));
    Files.writeString(
        odd.resolve("kit.json"),
        "{\"format\":\"humble-kit/1\",\"id\":\"odd\",\"name\":\"Odd\",\"boards\":[{\"id\":\"m\","
            + "\"width_mm\":5,\"height_mm\":5,\"files\":{\"copper_top\":\"a\\u0000b.gbr\"}}]}");
    Path deep = Files.createDirectories(home.resolve("deep"));
    Files.writeString(
        deep.resolve("kit.json"),
        "{\"format\":\"humble-kit/1\",\"id\":\"deep\",\"name\":\"Deep\",\"boards\":[{\"id\":\"m\","
            + "\"width_mm\":5,\"height_mm\":5,\"files\":{\"copper_top\":\"deep.gbr\"}}]}");
    Files.writeString(
        deep.resolve("deep.gbr"),
        "%FSLAX46Y46*%%MOMM*%%AMD*1,1," + "(".repeat(20_000) + ",0,0*%%ADD10D*%D10*M02*");
    Path elsewhere = home.resolve("not-there");
    Session session = session(odd, deep, elsewhere, glowmoth);
    session.journal().append("lost-1", new BuildEvent.Began("Lost", "lost", "a\u0000b", 1));
    session.layKit(glowmoth);
    OpenBuild open = session.open().orElseThrow();
    assertThat(open.failed()).isEmpty();
    assertThat(open.reckoned()).as("a build that is lost does not stop the planning").isPresent();
    List<Session.OnShelf> shelf = session.shelf();
    assertThat(shelf).hasSize(6);
    assertThat(shelf.getFirst()).isInstanceOf(Session.OnShelf.Begun.class);
    assertThat(shelf.get(1))
        .isInstanceOfSatisfying(
            Session.OnShelf.Broken.class,
            broken -> {
              assertThat(broken.name()).isEqualTo("Lost");
              assertThat(broken.problems()).containsExactly("'a‹0000›b' is no place for a kit.");
            });
    assertThat(shelf.get(2)).isInstanceOf(Session.OnShelf.Broken.class);
    assertThat(shelf.get(3)).isInstanceOf(Session.OnShelf.Fresh.class);
    assertThat(shelf.get(4)).isInstanceOf(Session.OnShelf.Broken.class);
    assertThat(shelf.get(5)).isInstanceOf(Session.OnShelf.Fresh.class);
    session.close();
  }

  @Test
  void anEveningThatEndsLeavesACopy() throws Exception {
    Session session = session();
    session.journal().append("b-1", new BuildEvent.Woke("x"));
    session.close();
    assertThat(session(new Path[0]).copies().all()).hasSize(1);
  }

  @Test
  void workThatFailsInTheBackgroundIsToldAndWrittenDown() throws Exception {
    Path glowmoth = Path.of(System.getProperty("humble.root", ".."), "kits", "glowmoth");
    Session session = session(glowmoth);
    session.layKit(glowmoth);
    OpenBuild open = session.open().orElseThrow();
    boolean[] ran = new boolean[1];
    Errand<String> errand =
        open.works()
            .start(
                calledOff -> {
                  throw new StackOverflowError();
                },
                done -> ran[0] = true);
    assertThat(ran[0]).isFalse();
    assertThat(errand.isRunning()).isFalse();
    assertThat(errand.failed().orElseThrow()).isEqualTo(open.failed());
    assertThat(open.failed()).contains("StackOverflowError").contains("humble.log");
    assertThat(home.resolve("log/humble.log")).content().contains("Work in the background failed");
    session.close();
  }
}
