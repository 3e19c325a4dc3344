package humble.desktop;

import humble.core.words.Words;
import humble.desktop.session.Session;
import humble.desktop.window.BenchWindow;
import humble.store.BenchFile;
import humble.store.Journal;
import humble.store.JournalOpen;
import humble.store.NotWritten;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.prefs.Preferences;
import javafx.application.Application;
import javafx.application.ColorScheme;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.text.Font;
import javafx.stage.DirectoryChooser;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;

/**
 * Opens the window on the bench. Options: {@code --home DIR}, {@code --kit DIR} (a kit for the
 * shelf, may be repeated), {@code --open DIR} (a kit to lay on the bench at once), {@code --fresh}
 * (open on the shelf), {@code --night}, {@code --until-shown} (leave at the first frame). Without
 * {@code --night} the window follows the system's setting.
 */
public final class Main extends Application {
  /** The mono face first: it names the same family, and the last one loaded answers to the name. */
  private static final String[] FACES = {"B612Mono-Bold", "B612-Regular", "B612-Bold"};

  /** The most that work in the background waits for the first frame. */
  private static final long LONGEST_HOLD_SECONDS = 5;

  /** Under which word the folder is remembered that was chosen when the usual one failed. */
  private static final String ELSEWHERE = "home-elsewhere";

  private static @Nullable Preparation preparation;

  /** Held here, since a logger that nobody holds forgets its level. */
  private static final Logger TOOLKIT = Logger.getLogger("javafx");

  private Preparation prepared = Preparation.NONE;
  private CompletableFuture<@Nullable Void> faces = CompletableFuture.completedFuture(null);

  /**
   * Starts the program. A class of its own, since the Java launcher refuses an {@link Application}
   * that lies on the class path.
   */
  public static final class Start {
    private Start() {}

    /** Starts the program. */
    public static void main(String[] given) {
      quietToolkit();
      preparation = Preparation.begin(Arguments.of(List.of(given)));
      launch(Main.class, given);
    }
  }

  /**
   * What can be done while the toolkit starts: the journal is opened and the build folded on
   * another core. What the build reckons in the background waits for the first frame, which is
   * worth more.
   */
  private record Preparation(
      Arguments arguments,
      ExecutorService background,
      CountDownLatch firstFrame,
      CompletableFuture<BenchFile.Found> journal,
      CompletableFuture<Optional<Session>> session,
      CompletableFuture<Preferences> sizes) {
    static final Preparation NONE =
        new Preparation(
            Arguments.NONE,
            Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory()),
            new CountDownLatch(0),
            new CompletableFuture<>(),
            new CompletableFuture<>(),
            new CompletableFuture<>());

    static Preparation begin(Arguments arguments) {
      ExecutorService background =
          Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
      CountDownLatch firstFrame = new CountDownLatch(1);
      background.execute(() -> await(firstFrame));
      CompletableFuture<BenchFile.Found> journal =
          CompletableFuture.supplyAsync(() -> BenchFile.open(arguments.home(), Clock.systemUTC()));
      CompletableFuture<Optional<Session>> session =
          journal.thenApply(found ->
              journal(found.outcome())
                  .map(open ->
                      session(open, arguments.home(), found.insteadOf(), arguments, background)));
      CompletableFuture<Preferences> sizes =
          session.thenApply(any -> Preferences.userNodeForPackage(Main.class));
      return new Preparation(arguments, background, firstFrame, journal, session, sizes);
    }

    private static void await(CountDownLatch latch) {
      try {
        if (!latch.await(LONGEST_HOLD_SECONDS, TimeUnit.SECONDS)) {
          latch.countDown();
        }
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    /** What keeps a build from opening is told on the shelf; the window opens all the same. */
    static Session session(
        Journal journal,
        Path home,
        String insteadOf,
        Arguments arguments,
        ExecutorService background) {
      Session session =
          new Session(journal, home, arguments.kits(), background, Platform::runLater);
      if (!insteadOf.isEmpty()) {
        session.notice(words().say("journal.instead", insteadOf, journal.file().getFileName()));
      }
      try {
        if (!arguments.open().isEmpty()) {
          session.layKit(arguments.open().getFirst());
        } else if (!arguments.fresh()) {
          session.layLast();
        }
      } catch (NotWritten e) {
        session.notice(String.valueOf(e.getMessage()));
      } catch (RuntimeException | StackOverflowError e) {
        session.notice(session.told(words().say("trouble.stage"), e));
      }
      return session;
    }

    private static Optional<Journal> journal(JournalOpen outcome) {
      return switch (outcome) {
        case JournalOpen.Opened opened -> Optional.of(opened.journal());
        case JournalOpen.Damaged damaged -> Optional.of(damaged.journal());
        case JournalOpen.Refused refused -> Optional.empty();
      };
    }
  }

  /**
   * Keeps the toolkit from warning that it lies on the class path: the ahead-of-time cache asks for
   * that.
   */
  public static void quietToolkit() {
    TOOLKIT.setLevel(Level.SEVERE);
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
    Preparation begun = preparation;
    prepared = begun == null ? Preparation.begin(Arguments.of(getParameters().getRaw())) : begun;
    faces = CompletableFuture.runAsync(Main::loadFaces);
  }

  @Override
  public void start(Stage stage) {
    Arguments arguments = prepared.arguments();
    Optional<Session> ready = prepared.session().join().or(this::elsewhere);
    if (ready.isEmpty()) {
      Platform.exit();
      return;
    }
    Session session = ready.get();
    boolean dark = Platform.getPreferences().getColorScheme() == ColorScheme.DARK;
    BenchWindow window = new BenchWindow(session, Clock.systemUTC(), arguments.night() || dark);
    window.documents(getHostServices()::showDocument);
    window.keys().welcome();
    Thread.setDefaultUncaughtExceptionHandler((thread, fault) -> uncaught(session, window, fault));
    Preferences sizes = prepared.sizes().join();
    faces.join();
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
    atFirstFrame(
        scene,
        () -> {
          prepared.firstFrame().countDown();
          session.copyIfDue();
          if (arguments.untilShown()) {
            new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8)
                .println("shown");
            stage.hide();
          }
        });
    stage.show();
    if (!arguments.night()) {
      Platform.getPreferences()
          .colorSchemeProperty()
          .addListener((setting, before, now) -> window.theme(now == ColorScheme.DARK));
    }
  }

  /** Runs something once the first frame is laid out and handed to the renderer. */
  private static void atFirstFrame(Scene scene, Runnable then) {
    AtomicBoolean once = new AtomicBoolean();
    scene.addPostLayoutPulseListener(() -> {
      if (once.compareAndSet(false, true)) {
        Platform.runLater(() -> Platform.runLater(then));
      }
    });
  }

  /** Whatever nobody caught is written down and told; the program goes on. */
  private static void uncaught(Session session, BenchWindow window, Throwable fault) {
    try {
      String what = window.words().say("trouble.uncaught");
      Platform.runLater(() -> window.keys().fault(what, fault));
    } catch (RuntimeException | Error e) {
      session.log().fault("While a fault was being told", e);
    }
  }

  private static Words words() {
    return Words.of("humble.desktop.desktop", Locale.getDefault());
  }

  /**
   * A journal that cannot be used is left alone: a new one beside it is offered, or where the
   * folder may not be written another folder. The folder that was chosen is tried first next time.
   */
  private Optional<Session> elsewhere() {
    Arguments arguments = prepared.arguments();
    BenchFile.Found found = prepared.journal().join();
    Path home = arguments.home();
    String remembered = prepared.sizes().join().get(ELSEWHERE, "");
    if (refusedPlace(found) && !remembered.isEmpty()) {
      home = Path.of(remembered);
      found = BenchFile.open(home, Clock.systemUTC());
    }
    while (found.outcome() instanceof JournalOpen.Refused refused) {
      Optional<BenchFile.Found> next =
          refused.reason() == JournalOpen.Reason.NO_PLACE ? otherPlace(refused) : beside(refused);
      if (next.isEmpty()) {
        return Optional.empty();
      }
      found = next.get();
      home = Optional.ofNullable(found.file().toAbsolutePath().getParent()).orElse(home);
    }
    Path chosen = home;
    String instead = found.insteadOf();
    return Preparation.journal(found.outcome())
        .map(journal ->
            Preparation.session(journal, chosen, instead, arguments, prepared.background()));
  }

  private static boolean refusedPlace(BenchFile.Found found) {
    return found.outcome() instanceof JournalOpen.Refused refused
        && refused.reason() == JournalOpen.Reason.NO_PLACE;
  }

  private Optional<BenchFile.Found> otherPlace(JournalOpen.Refused refused) {
    Words words = words();
    if (!asked(words.say("journal.no-place", refused.why()), words.say("journal.elsewhere"))) {
      return Optional.empty();
    }
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(words.say("journal.choose"));
    return Optional.ofNullable(chooser.showDialog(null))
        .map(folder -> {
          prepared.sizes().join().put(ELSEWHERE, folder.getAbsolutePath());
          return BenchFile.open(folder.toPath(), Clock.systemUTC());
        });
  }

  private static Optional<BenchFile.Found> beside(JournalOpen.Refused refused) {
    Words words = words();
    Path file = refused.beside();
    return asked(
            words.say("journal.refused", refused.why()),
            words.say("journal.beside", file.getFileName()))
        ? Optional.of(
            new BenchFile.Found(Journal.open(file, Clock.systemUTC()), file, refused.why()))
        : Optional.empty();
  }

  private static boolean asked(String text, String yes) {
    ButtonType button = new ButtonType(yes);
    Alert alert =
        new Alert(
            Alert.AlertType.WARNING,
            text,
            button,
            new ButtonType(words().say("journal.leave"), ButtonBar.ButtonData.CANCEL_CLOSE));
    alert.setHeaderText(null);
    return alert.showAndWait().filter(button::equals).isPresent();
  }

  /** Opens the journal that a person agrees to; empty when none. */
  static Optional<Journal> agreed(JournalOpen outcome) {
    return switch (outcome) {
      case JournalOpen.Opened opened -> Optional.of(opened.journal());
      case JournalOpen.Damaged damaged -> Optional.of(damaged.journal());
      case JournalOpen.Refused refused -> beside(refused).flatMap(found -> agreed(found.outcome()));
    };
  }

  /** What was asked for on the command line. */
  record Arguments(
      Path home,
      List<Path> kits,
      List<Path> open,
      boolean fresh,
      boolean night,
      boolean untilShown) {
    static final Arguments NONE =
        new Arguments(Path.of("."), List.of(), List.of(), false, false, false);

    static Arguments of(List<String> raw) {
      Path home = Path.of(System.getProperty("user.home"), ".local", "share", "humble-circuit");
      List<Path> kits = new ArrayList<>();
      List<Path> open = new ArrayList<>();
      for (int i = 0; i + 1 < raw.size(); i++) {
        switch (raw.get(i)) {
          case "--home" -> home = Path.of(raw.get(i + 1));
          case "--kit" -> kits.add(Path.of(raw.get(i + 1)));
          case "--open" -> open.add(Path.of(raw.get(i + 1)));
          default -> {}
        }
      }
      kits.removeIf(kit -> !Files.exists(kit));
      return new Arguments(
          home,
          kits,
          open,
          raw.contains("--fresh"),
          raw.contains("--night"),
          raw.contains("--until-shown"));
    }
  }
}
