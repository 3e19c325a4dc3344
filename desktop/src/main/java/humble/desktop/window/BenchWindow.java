package humble.desktop.window;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.words.ForeignText;
import humble.core.words.Words;
import humble.desktop.draw.Palette;
import humble.desktop.keys.BenchKeys;
import humble.desktop.keys.Face;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import java.io.File;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;

/** The one window: shows what the keys say, and passes what is pressed and clicked on to them. */
public final class BenchWindow implements Face {
  private Optional<Consumer<String>> documents = Optional.empty();
  private final Session session;
  private final Clock clock;
  private final BenchKeys keys;
  private final Words words;
  private final BorderPane root = new BorderPane();
  private final Label name = new Label();
  private final Label board = new Label();
  private final Label bench = new Label();
  private final Button practice = new Button();
  private final Button mend = new Button();
  private final Button told = new Button();
  private final Button night = new Button();
  private final Button guide = new Button("?");
  private final CardView card;
  private final MatView mat;
  private final TraceView trace;
  private Palette palette = Palette.of("day");
  private boolean nightOn;
  private double zoom = 1;
  private @Nullable String swallow;

  /** Makes the window's content for a session. */
  public BenchWindow(Session session, Clock clock, boolean nightOn) {
    this.session = session;
    this.clock = clock;
    this.keys = new BenchKeys(session, clock, this);
    this.words = keys.words();
    keys.waitBy(new OffThread());
    this.card = new CardView(keys::enter, keys::hint, words.say("key.why"));
    this.mat = new MatView(palette, touch(), words.say("trouble.mat"), this::pictureFailed);
    this.trace = new TraceView(words, palette, keys::goByKey);
    lay();
    theme(nightOn);
    keys.begin();
  }

  private void pictureFailed(Throwable fault) {
    Platform.runLater(() -> keys.fault(words.say("trouble.picture"), fault));
  }

  private void lay() {
    name.getStyleClass().add("build-name");
    for (Region kept : List.of(board, practice, told, mend, night, guide, bench)) {
      kept.setMinWidth(Region.USE_PREF_SIZE);
    }
    board.getStyleClass().add("soft");
    bench.getStyleClass().add("soft");
    practice.getStyleClass().add("switch");
    practice.setId("practice");
    practice.setFocusTraversable(false);
    practice.setTooltip(new Tooltip(words.say("top.practice.tip")));
    practice.setOnAction(event -> keys.togglePractice());
    mend.getStyleClass().addAll("switch", "mend");
    mend.setId("mend");
    mend.setFocusTraversable(false);
    mend.setText(words.say("top.mend"));
    mend.setTooltip(new Tooltip(words.say("top.mend.tip")));
    mend.setOnAction(event -> keys.handle(keys::wrong));
    told.getStyleClass().add("switch");
    told.setId("told");
    told.setFocusTraversable(false);
    told.setText(words.say("top.kit"));
    told.setTooltip(new Tooltip(words.say("top.kit.tip")));
    told.setOnAction(event -> keys.changeKit());
    night.getStyleClass().add("switch");
    night.setId("night");
    night.setFocusTraversable(false);
    night.setOnAction(event -> theme(!nightOn));
    night.setTooltip(new Tooltip(words.say("top.night.tip")));
    Region left = new Region();
    Region right = new Region();
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    guide.getStyleClass().add("switch");
    guide.setId("guide");
    guide.setFocusTraversable(false);
    guide.setTooltip(new Tooltip(words.say("top.guide.tip")));
    guide.setAccessibleText(words.say("top.guide.tip"));
    guide.setOnAction(event -> keys.openGuide());
    HBox top = new HBox(name, board, left, bench, right, practice, told, mend, night, guide);
    top.getStyleClass().add("top-line");
    root.setTop(top);
    BorderPane middle = new BorderPane(mat);
    middle.setRight(card);
    BorderPane.setMargin(mat, new Insets(0, 20, 0, 0));
    middle.setPadding(new Insets(4, 24, 0, 24));
    root.setCenter(middle);
    root.setBottom(trace);
    root.getStyleClass().add("root");
  }

  /** Gives the content. */
  public Parent root() {
    return root;
  }

  /** Makes the scene with its keys. */
  public Scene scene(double width, double height) {
    Scene scene = new Scene(root, width, height);
    scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    scene.setOnDragOver(event -> {
      if (event.getDragboard().hasFiles()) {
        event.acceptTransferModes(TransferMode.COPY);
      }
      event.consume();
    });
    scene.setOnDragDropped(event -> {
      keys.dropped(event.getDragboard().getFiles().stream().map(File::toPath).toList());
      event.setDropCompleted(true);
      event.consume();
    });
    scene.addEventFilter(KeyEvent.KEY_TYPED, this::typedKey);
    return scene;
  }

  /** Switches between the day and the night bench. */
  public void theme(boolean toNight) {
    nightOn = toNight;
    String theme = toNight ? "night" : "day";
    palette = Palette.of(theme);
    root.getStylesheets().setAll("/humble/desktop/" + theme + ".css", "/humble/desktop/bench.css");
    night.setText(words.say(toNight ? "top.day" : "top.night"));
    keys.refresh();
  }

  /** Gives width and height of the mat, in pixels. */
  public double[] matSize() {
    return new double[] {mat.getWidth(), mat.getHeight()};
  }

  /** Gives the words of the window. */
  public Words words() {
    return words;
  }

  /** Gives the keys of the window. */
  public BenchKeys keys() {
    return keys;
  }

  /** Gives the stage that is open. */
  public StageId stage() {
    return keys.stage();
  }

  /** Gives the card that is shown. */
  public Card card() {
    return keys.card();
  }

  /** Gives the build on the bench. */
  public Optional<OpenBuild> build() {
    return keys.build();
  }

  /** Goes to a stage. */
  public void go(StageId to) {
    keys.goByKey(to);
  }

  /** Hands the stage a drag from one thing on the mat onto another. */
  public void drag(String from, String to) {
    keys.drag(from, to);
  }

  /** Hands the stage a click on what the mat calls {@code spot}. */
  public void pick(String spot) {
    keys.pick(spot);
  }

  /** Hands a text to the stage, or to the remark that is being written. */
  public void paste(String text) {
    keys.paste(text);
  }

  /** Draws everything anew; may be called from any thread. */
  public void refresh() {
    keys.refresh();
  }

  @Override
  public void show() {
    card.show(keys.card());
    mat.show(keys.mat(), palette);
    Optional<OpenBuild> open = session.open();
    boolean gate =
        open.filter(o -> !o.kit().gates().isEmpty())
            .map(o -> o.kit().gates().stream().allMatch(g -> o.build().gateOpen(g.id())))
            .orElse(false);
    trace.show(
        keys.stage(),
        id -> open.map(o -> Progress.share(o, id)).orElse(0.0),
        id -> open.filter(o -> !Progress.hasWork(o, id)).isPresent(),
        gate,
        palette);
    top(open);
  }

  @Override
  public void later(Runnable work) {
    Platform.runLater(work);
  }

  @Override
  public boolean isHere() {
    return Platform.isFxApplicationThread();
  }

  @Override
  public Optional<String> copied() {
    return Optional.ofNullable(Clipboard.getSystemClipboard().getString());
  }

  @Override
  public void foldReasons() {
    card.toggleWhy();
  }

  @Override
  public void waiting(boolean on) {
    if (on) {
      bench.setText(words.say("top.waiting"));
    } else {
      top(session.open());
    }
  }

  @Override
  public void chooseFile(String title, Consumer<Path> then) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    File file = chooser.showOpenDialog(root.getScene().getWindow());
    if (file != null) {
      then.accept(file.toPath());
    }
  }

  @Override
  public void chooseFolder(String title, Consumer<Path> then) {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle(title);
    File folder = chooser.showDialog(root.getScene().getWindow());
    if (folder != null) {
      then.accept(folder.toPath());
    }
  }

  /** Takes what shows a file in the system's own program; without it none is shown. */
  public void documents(Consumer<String> shows) {
    documents = Optional.of(shows);
  }

  @Override
  public boolean showFile(Path file) {
    documents.ifPresent(shows -> shows.accept(file.toUri().toString()));
    return documents.isPresent();
  }

  private void top(Optional<OpenBuild> open) {
    name.setText(
        ForeignText.shown(
            open.map(o -> o.build().began().map(BuildEvent.Began::name).orElse(""))
                .orElse(words.say("top.nothing"))));
    board.setText(
        ForeignText.shown(
            open.map(o ->
                    o.kit().boards().isEmpty()
                        ? ""
                        : words.say("top.board", o.kit().boards().getFirst().revision()))
                .orElse("")));
    bench.setText(
        open.map(o ->
                words.say(
                    "top.bench",
                    time(o.build()),
                    words.say(keys.stage() == StageId.POWER ? "top.off-first" : "top.stop-now")))
            .orElse(""));
    boolean on = open.map(OpenBuild::practiceOn).orElse(false);
    practice.setVisible(open.isPresent());
    mend.setVisible(open.isPresent());
    told.setVisible(open.isPresent());
    practice.setText(words.say(on ? "top.practice.on" : "top.practice.off"));
    practice.getStyleClass().remove("on");
    if (on) {
      practice.getStyleClass().add("on");
    }
  }

  private String time(Build build) {
    Duration time =
        build.benchTime(LocalDate.now(clock).atStartOfDay(ZoneId.systemDefault()).toInstant());
    return String.format(Locale.ROOT, "%d:%02d", time.toHours(), time.toMinutesPart());
  }

  private void pressed(KeyEvent event) {
    swallow = null;
    KeyCode code = event.getCode();
    boolean handled = true;
    if (code.isFunctionKey()
        && code.ordinal() >= KeyCode.F1.ordinal()
        && code.ordinal() <= KeyCode.F10.ordinal()) {
      keys.goByKey(StageId.values()[code.ordinal() - KeyCode.F1.ordinal()]);
    } else if (code == KeyCode.F11) {
      keys.changeKit();
    } else if (code == KeyCode.F12) {
      keys.blink();
    } else if (event.isShortcutDown()) {
      handled = shortcut(code);
    } else {
      switch (code) {
        case ENTER -> keys.enter();
        case BACK_SPACE -> keys.backspace();
        case ESCAPE -> keys.escape();
        case ADD -> character("+");
        case SUBTRACT -> character("-");
        case MULTIPLY -> character("*");
        case DIVIDE -> character("/");
        case DECIMAL, SEPARATOR -> character(".");
        case HELP -> keys.openGuide();
        default -> handled = keypadDigit(code);
      }
    }
    if (handled) {
      event.consume();
    }
  }

  private boolean keypadDigit(KeyCode code) {
    if (!code.isKeypadKey()
        || code.ordinal() < KeyCode.NUMPAD0.ordinal()
        || code.ordinal() > KeyCode.NUMPAD9.ordinal()) {
      return false;
    }
    character(Integer.toString(code.ordinal() - KeyCode.NUMPAD0.ordinal()));
    return true;
  }

  private boolean shortcut(KeyCode code) {
    switch (code) {
      case Z -> keys.takeBack();
      case V -> keys.paste();
      case O -> keys.openFile();
      case PLUS, ADD, EQUALS -> zoom(zoom * 1.1);
      case MINUS, SUBTRACT -> zoom(zoom / 1.1);
      case DIGIT0, NUMPAD0 -> zoom(1);
      default -> {
        return false;
      }
    }
    return true;
  }

  private void zoom(double to) {
    zoom = Math.clamp(to, 0.7, 2.0);
    root.setStyle(String.format(Locale.ROOT, "-fx-font-size: %.1fpx;", 16 * zoom));
  }

  private void typedKey(KeyEvent event) {
    String text = event.getCharacter();
    boolean again = text.equals(swallow);
    swallow = null;
    if (!again && !event.isShortcutDown() && text.length() == 1 && text.charAt(0) > ' ') {
      character(text);
      event.consume();
    } else if (text.equals(" ") && keys.takesBlank()) {
      character(text);
    }
  }

  private void character(String text) {
    swallow = text;
    keys.character(text);
  }

  private MatView.Touch touch() {
    return new MatView.Touch() {
      @Override
      public void pick(String spot) {
        keys.pick(spot);
      }

      @Override
      public void drag(String from, String to) {
        keys.drag(from, to);
      }

      @Override
      public boolean pull(double dx, double dy) {
        return keys.pull(dx, dy);
      }

      @Override
      public void point(double x, double y) {
        keys.point(x, y);
      }

      @Override
      public void hover(double x, double y) {
        keys.hover(x, y);
      }

      @Override
      public void wheel(boolean up) {
        keys.wheel(up);
      }
    };
  }
}
