package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import humble.store.Journal;
import humble.store.JournalOpen;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Clock;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonType;
import javafx.scene.control.DialogPane;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;

/** A journal that cannot be used is left as it is; a new one beside it is offered. */
class NewerJournalTest {
  @TempDir Path home;

  @Test
  void aNewJournalBesideItIsOfferedAndTheOldOneStays() throws Exception {
    FxToolkit.registerPrimaryStage();
    Path file = home.resolve("bench.db");
    ((JournalOpen.Opened) Journal.open(file, Clock.systemUTC())).journal().close();
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
        Statement statement = connection.createStatement()) {
      statement.execute("PRAGMA user_version = 99");
    }
    byte[] before = Files.readAllBytes(file);
    JournalOpen refused = Journal.open(file, Clock.systemUTC());
    CompletableFuture<Boolean> opened = new CompletableFuture<>();
    javafx.application.Platform.runLater(() ->
        opened.complete(
            Main.agreed(refused)
                .map(journal -> {
                  boolean beside = journal.file().endsWith("bench-2.db");
                  journal.close();
                  return beside;
                })
                .orElse(false)));
    DialogPane dialog = dialog();
    assertThat(dialog.getContentText()).contains("newer").contains("99").contains("file was left");
    BenchInTest.on(() -> {
      ButtonType begin = dialog.getButtonTypes().getFirst();
      assertThat(begin.getText()).isEqualTo("Begin bench-2.db");
      ((Button) dialog.lookupButton(begin)).fire();
      return true;
    });
    assertThat(opened.get(20, TimeUnit.SECONDS)).isTrue();
    assertThat(home.resolve("bench-2.db")).exists();
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
  }

  private static DialogPane dialog() throws InterruptedException {
    for (int i = 0; i < 400; i++) {
      DialogPane found =
          BenchInTest.on(() ->
              Window.getWindows().stream()
                  .filter(w -> w.getScene() != null && w.getScene().getRoot() instanceof DialogPane)
                  .map(w -> (DialogPane) w.getScene().getRoot())
                  .findFirst()
                  .orElse(null));
      if (found != null) {
        return found;
      }
      Thread.sleep(25);
    }
    throw new AssertionError("no dialog came");
  }
}
