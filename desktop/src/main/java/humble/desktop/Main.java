package humble.desktop;

import humble.desktop.session.Session;
import humble.desktop.window.BenchWindow;
import humble.store.Journal;
import humble.store.JournalOpen;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.prefs.Preferences;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonType;
import javafx.scene.text.Font;
import javafx.stage.Stage;

/**
 * Opens the window on the bench. Options: {@code --home DIR}, {@code --kit DIR}, {@code --fresh},
 * {@code --night}.
 */
public final class Main extends Application {
  /** The mono face first: it names the same family, and the last one loaded answers to the name. */
  private static final String[] FACES = {"B612Mono-Bold", "B612-Regular", "B612-Bold"};

  private final ExecutorService background =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
  private CompletableFuture<JournalOpen> journal = new CompletableFuture<>();
  private Arguments arguments = Arguments.NONE;

  /** Starts the program. */
  public static void main(String[] given) {
    launch(Main.class, given);
  }

  /** Loads the faces shipped inside. */
  public static void loadFaces() {
    for (String face : FACES) {
      InputStream in = Main.class.getResourceAsStream("/humble/desktop/fonts/" + face + ".otf");
      if (in == null || Font.loadFont(in, 16) == null) {
        throw new IllegalStateException("the face " + face + " is missing");
      }
    }
  }

  @Override
  public void init() {
    arguments = Arguments.of(getParameters().getRaw());
    Path file = arguments.home().resolve("bench.db");
    journal =
        CompletableFuture.supplyAsync(() -> Journal.open(file, Clock.systemUTC()), background);
    loadFaces();
  }

  @Override
  public void start(Stage stage) {
    Optional<Journal> opened = opened(journal.join());
    if (opened.isEmpty()) {
      Platform.exit();
      return;
    }
    Session session =
        new Session(
            opened.get(), arguments.home(), arguments.kits(), background, Platform::runLater);
    if (!arguments.fresh()) {
      session.layLast();
    }
    BenchWindow window = new BenchWindow(session, Clock.systemUTC(), arguments.night());
    Preferences sizes = Preferences.userNodeForPackage(Main.class);
    Scene scene = window.scene(sizes.getDouble("width", 1280), sizes.getDouble("height", 800));
    stage.setTitle(window.words().say("top.nothing"));
    stage.setScene(scene);
    stage.setMinWidth(1024);
    stage.setMinHeight(700);
    stage.setOnHidden(event -> {
      sizes.putDouble("width", scene.getWidth());
      sizes.putDouble("height", scene.getHeight());
      session.close();
    });
    stage.show();
    if (arguments.untilShown()) {
      Platform.runLater(() -> Platform.runLater(stage::hide));
    }
  }

  /** A journal that cannot be used is left alone; a new one beside it is offered. */
  private Optional<Journal> opened(JournalOpen outcome) {
    return switch (outcome) {
      case JournalOpen.Opened opened -> Optional.of(opened.journal());
      case JournalOpen.Refused refused -> {
        ButtonType beside = new ButtonType("Begin " + refused.beside().getFileName());
        Alert alert =
            new Alert(
                Alert.AlertType.WARNING,
                refused.why() + "\nIt was left as it is.",
                beside,
                ButtonType.CLOSE);
        alert.setHeaderText(null);
        boolean begin = alert.showAndWait().filter(beside::equals).isPresent();
        yield begin ? opened(Journal.open(refused.beside(), Clock.systemUTC())) : Optional.empty();
      }
    };
  }

  /** What was asked for on the command line. */
  record Arguments(Path home, List<Path> kits, boolean fresh, boolean night, boolean untilShown) {
    static final Arguments NONE = new Arguments(Path.of("."), List.of(), false, false, false);

    static Arguments of(List<String> raw) {
      Path home = Path.of(System.getProperty("user.home"), ".local", "share", "humble-circuit");
      List<Path> kits = new ArrayList<>();
      for (int i = 0; i + 1 < raw.size(); i++) {
        if (raw.get(i).equals("--home")) {
          home = Path.of(raw.get(i + 1));
        } else if (raw.get(i).equals("--kit")) {
          kits.add(Path.of(raw.get(i + 1)));
        }
      }
      kits.removeIf(kit -> !Files.exists(kit));
      return new Arguments(
          home,
          kits,
          raw.contains("--fresh"),
          raw.contains("--night"),
          raw.contains("--until-shown"));
    }
  }
}
