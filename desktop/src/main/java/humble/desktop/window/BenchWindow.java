package humble.desktop.window;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.words.Words;
import humble.desktop.book.BookStage;
import humble.desktop.close.CloseStage;
import humble.desktop.draw.Palette;
import humble.desktop.fit.FitStage;
import humble.desktop.intake.IntakeStage;
import humble.desktop.load.LoadStage;
import humble.desktop.mend.MendStage;
import humble.desktop.plan.PlanStage;
import humble.desktop.power.PowerStage;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.shelf.ShelfStage;
import humble.desktop.sort.SortStage;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.unpack.UnpackStage;
import humble.desktop.wake.WakeStage;
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
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;

/** The one window: holds the stage that is open, passes keys to it, and shows what it says. */
public final class BenchWindow implements Desk {
  private final Session session;
  private final Clock clock;
  private final Words words = Words.of("humble.desktop.desktop", Locale.getDefault());
  private final Words coreWords = Words.core(Locale.getDefault());
  private final BorderPane root = new BorderPane();
  private final Label name = new Label();
  private final Label board = new Label();
  private final Label bench = new Label();
  private final Button practice = new Button();
  private final Button mend = new Button();
  private final Button night = new Button();
  private final CardView card;
  private final MatView mat;
  private final TraceView trace;
  private final StringBuilder typed = new StringBuilder();
  private Palette palette = Palette.of("day");
  private StageId stageId = StageId.SHELF;
  private Stage stage;
  private boolean nightOn;
  private boolean noting;
  private double zoom = 1;
  private @Nullable String swallow;

  /**
   * While something is being handled, or made, what is to be shown anew is shown once, after it.
   */
  private boolean holding = true;

  private boolean stale;
  private String remark = "";

  /** Makes the window's content for a session. */
  public BenchWindow(Session session, Clock clock, boolean nightOn) {
    this.session = session;
    this.clock = clock;
    this.card = new CardView(() -> handle(this::enter), words.say("key.why"));
    this.mat = new MatView(palette, touch());
    this.trace = new TraceView(words, palette, this::go);
    this.stage = first();
    session.whenChanged(this::refresh);
    lay();
    theme(nightOn);
    refresh();
    release();
  }

  /** Opens where the build was left, else on the shelf. */
  private Stage first() {
    return session
        .open()
        .map(open -> {
          stageId = Progress.current(open);
          return stageId == StageId.SHELF ? made(StageId.UNPACK, open) : made(stageId, open);
        })
        .orElseGet(() -> new ShelfStage(session, this, clock));
  }

  /** Handles something and then shows once what it changed. */
  private void handle(Runnable work) {
    if (holding) {
      work.run();
      return;
    }
    holding = true;
    try {
      work.run();
    } finally {
      release();
    }
  }

  private void release() {
    holding = false;
    if (stale) {
      refresh();
    }
  }

  private void lay() {
    name.getStyleClass().add("build-name");
    for (Region kept : List.of(board, practice, mend, night, bench)) {
      kept.setMinWidth(Region.USE_PREF_SIZE);
    }
    board.getStyleClass().add("soft");
    bench.getStyleClass().add("soft");
    practice.getStyleClass().add("switch");
    practice.setId("practice");
    practice.setFocusTraversable(false);
    practice.setTooltip(new Tooltip(words.say("top.practice.tip")));
    practice.setOnAction(event -> togglePractice());
    mend.getStyleClass().addAll("switch", "mend");
    mend.setId("mend");
    mend.setFocusTraversable(false);
    mend.setText(words.say("top.mend"));
    mend.setTooltip(new Tooltip(words.say("top.mend.tip")));
    mend.setOnAction(event -> handle(this::wrong));
    night.getStyleClass().add("switch");
    night.setId("night");
    night.setFocusTraversable(false);
    night.setOnAction(event -> theme(!nightOn));
    night.setTooltip(new Tooltip(words.say("top.night.tip")));
    Region left = new Region();
    Region right = new Region();
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox top = new HBox(name, board, left, bench, right, practice, mend, night);
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
    scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> handle(() -> pressed(event)));
    scene.setOnDragOver(event -> {
      if (event.getDragboard().hasFiles()) {
        event.acceptTransferModes(TransferMode.COPY);
      }
      event.consume();
    });
    scene.setOnDragDropped(event -> {
      handle(() -> dropped(event.getDragboard().getFiles()));
      event.setDropCompleted(true);
      event.consume();
    });
    scene.addEventFilter(KeyEvent.KEY_TYPED, event -> handle(() -> typedKey(event)));
    return scene;
  }

  /** Switches between the day and the night bench. */
  public void theme(boolean toNight) {
    nightOn = toNight;
    String theme = toNight ? "night" : "day";
    palette = Palette.of(theme);
    root.getStylesheets().setAll("/humble/desktop/" + theme + ".css", "/humble/desktop/bench.css");
    night.setText(words.say(toNight ? "top.day" : "top.night"));
    refresh();
  }

  @Override
  public Words words() {
    return words;
  }

  @Override
  public Words coreWords() {
    return coreWords;
  }

  /** Gives the stage that is open. */
  public StageId stage() {
    return stageId;
  }

  /** Gives the card that is shown. */
  public Card card() {
    return noting ? noteCard() : stage.card();
  }

  /** Gives the build on the bench. */
  public Optional<OpenBuild> build() {
    return session.open();
  }

  @Override
  public void go(StageId to) {
    Optional<OpenBuild> open = session.open();
    StageId next = open.isEmpty() ? StageId.SHELF : to;
    stageId = next;
    typed.setLength(0);
    noting = false;
    stage =
        open.isEmpty() || next == StageId.SHELF
            ? new ShelfStage(session, this, clock)
            : made(next, open.get());
    refresh();
  }

  @Override
  public void show(Stage shown) {
    typed.setLength(0);
    noting = false;
    stage = shown;
    refresh();
  }

  /** Hands the stage a drag from one thing on the mat onto another. */
  public void drag(String from, String to) {
    handle(() -> {
      if (!noting) {
        stage.drag(from, to);
        refresh();
      }
    });
  }

  /** Hands the stage a click on what the mat calls {@code spot}. */
  public void pick(String spot) {
    handle(() -> {
      if (!noting) {
        stage.pick(spot);
        refresh();
      }
    });
  }

  private Stage made(StageId id, OpenBuild open) {
    return switch (id) {
      case SHELF -> new ShelfStage(session, this, clock);
      case UNPACK -> new UnpackStage(open, this, session.home());
      case SORT -> new SortStage(open, this);
      case PLAN -> new PlanStage(open, this);
      case FIT -> new FitStage(open, this);
      case POWER -> new PowerStage(open, this);
      case LOAD -> new LoadStage(open, this);
      case WAKE -> new WakeStage(open, this);
      case CLOSE -> new CloseStage(open, this);
      case BOOK -> new BookStage(open, this, session.home());
    };
  }

  @Override
  public void refresh() {
    if (!Platform.isFxApplicationThread()) {
      Platform.runLater(this::refresh);
      return;
    }
    if (holding) {
      stale = true;
      return;
    }
    stale = false;
    Card shown = noting ? noteCard() : stage.card();
    card.show(shown);
    mat.show(stage.mat(), palette);
    Optional<OpenBuild> open = session.open();
    boolean gate =
        open.map(o -> o.kit().gates().stream().allMatch(g -> o.build().gateOpen(g.id())))
            .orElse(false);
    trace.show(stageId, id -> open.map(o -> Progress.share(o, id)).orElse(0.0), gate, palette);
    top(open);
  }

  private void top(Optional<OpenBuild> open) {
    name.setText(
        open.map(o -> o.build().began().map(BuildEvent.Began::name).orElse(""))
            .orElse(words.say("top.nothing")));
    board.setText(
        open.map(o ->
                o.kit().boards().isEmpty()
                    ? ""
                    : words.say("top.board", o.kit().boards().getFirst().revision()))
            .orElse(""));
    bench.setText(
        !remark.isEmpty()
            ? remark
            : open.map(o ->
                    words.say(
                        "top.bench",
                        time(o.build()),
                        words.say(stageId == StageId.POWER ? "top.off-first" : "top.stop-now")))
                .orElse(""));
    boolean on = open.map(OpenBuild::practiceOn).orElse(false);
    practice.setVisible(open.isPresent());
    mend.setVisible(open.isPresent());
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

  private Card noteCard() {
    return new Card.Maker(words.say("note.kicker"), words.say("note.title"))
        .field(typed.toString(), "")
        .hint("Esc", words.say("note.leave"), this::leaveNote)
        .go(words.say("note.go"));
  }

  private void leaveNote() {
    noting = false;
    typed.setLength(0);
    refresh();
  }

  private void togglePractice() {
    session.open().ifPresent(open -> open.practiceOn(!open.practiceOn()));
    go(stageId);
  }

  private void pressed(KeyEvent event) {
    swallow = null;
    KeyCode code = event.getCode();
    boolean handled = true;
    remark = "";
    if (code.isFunctionKey()
        && code.ordinal() >= KeyCode.F1.ordinal()
        && code.ordinal() <= KeyCode.F10.ordinal()) {
      go(StageId.values()[code.ordinal() - KeyCode.F1.ordinal()]);
    } else if (event.isShortcutDown()) {
      handled = shortcut(code);
    } else {
      switch (code) {
        case ENTER -> enter();
        case BACK_SPACE -> backspace();
        case ESCAPE -> escape();
        case ADD -> character("+");
        case SUBTRACT -> character("-");
        case MULTIPLY -> character("*");
        case DIVIDE -> character("/");
        case DECIMAL, SEPARATOR -> character(".");
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
      case Z -> takeBack();
      case V -> paste();
      case O -> stage.openFile();
      case PLUS, ADD, EQUALS -> zoom(zoom * 1.1);
      case MINUS, SUBTRACT -> zoom(zoom / 1.1);
      case DIGIT0, NUMPAD0 -> zoom(1);
      default -> {
        return false;
      }
    }
    return true;
  }

  @Override
  public void paste() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text != null) {
      paste(text);
    }
  }

  /** Hands a text to the stage, or to the remark that is being written. */
  public void paste(String text) {
    if (noting) {
      typed.append(text.replaceAll("\\s+", " "));
    } else {
      stage.paste(text);
    }
    refresh();
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

  /** A kit that is dropped on the window is laid on the bench; any other file is a list. */
  private void dropped(List<File> files) {
    for (File file : files) {
      Path path = file.toPath();
      boolean kit =
          file.isDirectory()
              || file.getName().endsWith(".hckit")
              || file.getName().equals("kit.json");
      if (kit) {
        session.layKit(path);
        go(session.open().isPresent() ? StageId.UNPACK : StageId.SHELF);
      } else {
        IntakeStage intake =
            stage instanceof IntakeStage open ? open : new IntakeStage(session, this, clock);
        stageId = StageId.SHELF;
        show(intake);
        intake.file(path);
      }
    }
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
    } else if (text.equals(" ") && (noting || (stage.takesText() && !typed.isEmpty()))) {
      character(text);
    }
  }

  /** Takes one character, from the keypad or the main block. */
  private void character(String text) {
    swallow = text;
    if (noting) {
      typed.append(text);
      refresh();
      return;
    }
    char c = text.charAt(0);
    boolean field = stage.card().field().isPresent();
    if (stage.takesText() && (!typed.isEmpty() || Character.isLetterOrDigit(c))) {
      type(typed + text);
      return;
    }
    switch (c) {
      case '+' -> {
        stage.plus();
        refresh();
      }
      case '-' -> {
        if (field && typed.isEmpty() && stage.takesSign()) {
          type("-");
        } else {
          takeBack();
        }
      }
      case '*' -> note();
      case '/' -> wrong();
      default -> other(c, field);
    }
  }

  private void other(char c, boolean field) {
    boolean bandsBegun = !typed.isEmpty() && Character.isLetter(typed.charAt(0));
    if (Character.toUpperCase(c) == 'H' && !bandsBegun) {
      card.toggleWhy();
    } else if (field
        && (Character.isDigit(c)
            || c == '.'
            || c == ','
            || (Character.isLetter(c) && (!typed.isEmpty() || stage.takesLetter(c))))) {
      type(typed.toString() + c);
    } else if (Character.isDigit(c)) {
      stage.digit(c - '0');
      refresh();
    } else if (Character.isLetter(c)) {
      stage.letter(Character.toUpperCase(c));
      refresh();
    }
  }

  @Override
  public void type(String text) {
    typed.setLength(0);
    typed.append(text);
    stage.typing(text);
    refresh();
  }

  private void backspace() {
    if (!typed.isEmpty()) {
      String shorter = typed.substring(0, typed.length() - 1);
      if (noting) {
        typed.setLength(typed.length() - 1);
        refresh();
      } else {
        type(shorter);
      }
    } else if (!noting) {
      takeBack();
    }
  }

  private void escape() {
    if (noting) {
      leaveNote();
    } else if (!stage.cancel()) {
      type("");
    }
  }

  private void takeBack() {
    if (stage.takeBack()) {
      refresh();
      return;
    }
    session
        .open()
        .ifPresent(open -> {
          if (open.takeBack()) {
            go(stageId);
          }
        });
  }

  @Override
  public void note() {
    if (session.open().isPresent()) {
      noting = true;
      typed.setLength(0);
      refresh();
    }
  }

  @Override
  public void wrong() {
    if (stage instanceof MendStage mending) {
      mending.wrongAgain();
      return;
    }
    session
        .open()
        .ifPresent(open -> {
          open.act(new BuildEvent.Wrong(words.say(stageId.key()), stage.card().title()));
          show(new MendStage(open, this, stageId));
        });
  }

  private MatView.Touch touch() {
    return new MatView.Touch() {
      @Override
      public void pick(String spot) {
        BenchWindow.this.pick(spot);
      }

      @Override
      public void drag(String from, String to) {
        BenchWindow.this.drag(from, to);
      }

      @Override
      public boolean pull(double dx, double dy) {
        boolean follows = stage.pull(dx, dy);
        if (follows) {
          refresh();
        }
        return follows;
      }

      @Override
      public void wheel(boolean up) {
        stage.wheel(up);
        refresh();
      }
    };
  }

  private void enter() {
    if (noting) {
      String text = typed.toString().strip();
      if (!text.isEmpty()) {
        session
            .open()
            .ifPresent(open -> open.act(new BuildEvent.Noted(words.say(stageId.key()), text)));
      }
      leaveNote();
      return;
    }
    if (stage.card().goEnabled()) {
      Stage before = stage;
      String text = typed.toString();
      stage.enter(text);
      if (stage == before) {
        refresh();
      }
    }
  }
}
