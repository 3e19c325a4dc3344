package humble.desktop.keys;

import humble.core.build.BuildEvent;
import humble.core.words.Words;
import humble.desktop.book.BookStage;
import humble.desktop.close.CloseStage;
import humble.desktop.draw.Mat;
import humble.desktop.fit.FitStage;
import humble.desktop.intake.IntakeStage;
import humble.desktop.load.LoadStage;
import humble.desktop.mend.MendStage;
import humble.desktop.plan.PlanStage;
import humble.desktop.power.PowerStage;
import humble.desktop.session.Bench;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.shelf.ShelfStage;
import humble.desktop.sort.SortStage;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Takes;
import humble.desktop.unpack.UnpackStage;
import humble.desktop.wake.WakeStage;
import humble.store.NotWritten;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * The keys of the bench: holds the stage that is open, passes keys to it, and says what the window
 * shows. Used on the interface thread only, {@link #refresh} aside.
 *
 * <p>Nothing that fails ends here: an act that could not be written stays typed and is told with
 * what to do; a fault of the program is told, written to the log, and the program goes on.
 */
public final class BenchKeys implements Desk {
  private final Session session;
  private final Clock clock;
  private final Face face;
  private final Words words = Words.of("humble.desktop.desktop", Locale.getDefault());
  private final Words coreWords = Words.core(Locale.getDefault());
  private final StringBuilder remark = new StringBuilder();
  private StageId stageId = StageId.SHELF;
  private Stage stage;
  private boolean noting;
  private boolean awaiting;
  private @Nullable Trouble trouble;

  /**
   * While something is being handled, or made, what is to be shown anew is shown once, after it.
   */
  private boolean holding = true;

  private boolean stale;

  /** Makes the keys of a session; nothing is shown before {@link #begin}. */
  public BenchKeys(Session session, Clock clock, Face face) {
    this.session = session;
    this.clock = clock;
    this.face = face;
    this.stage = new TroubleStage(this, "");
    this.stage = safely(this::first);
    session.whenChanged(this::refresh);
    session.leanOn(
        new Bench.Patience() {
          @Override
          public <T> T await(java.util.function.Supplier<T> work) {
            return work.get();
          }
        },
        this::carefully);
    if (!session.notice().isEmpty()) {
      trouble = new Trouble(session.notice(), null, null);
    }
  }

  /** Sets who waits off the interface thread; while somebody does, keys are not taken. */
  public void waitBy(Bench.Patience patience) {
    session.leanOn(
        new Bench.Patience() {
          @Override
          public <T> T await(java.util.function.Supplier<T> work) {
            awaiting = true;
            face.waiting(true);
            try {
              return patience.await(work);
            } finally {
              awaiting = false;
              face.waiting(false);
            }
          }
        },
        this::carefully);
  }

  /** Shows everything for the first time. */
  public void begin() {
    release();
    refresh();
  }

  /** Opens where the build was left, else on the shelf. */
  private Stage first() {
    OpenBuild open = session.open().orElse(null);
    if (open == null) {
      return new ShelfStage(session, this, clock);
    }
    stageId = Progress.current(open);
    return made(stageId == StageId.SHELF ? StageId.UNPACK : stageId, open);
  }

  private interface Making {
    Stage make();
  }

  /** A stage that cannot be made is told in its place. */
  private Stage safely(Making making) {
    try {
      return making.make();
    } catch (NotWritten e) {
      throw e;
    } catch (RuntimeException | StackOverflowError e) {
      return new TroubleStage(this, session.told(words.say("trouble.stage"), e));
    }
  }

  /** Handles something and then shows once what it changed. */
  public void handle(Runnable work) {
    if (awaiting) {
      return;
    }
    if (holding) {
      work.run();
      return;
    }
    holding = true;
    try {
      attempt(work, null);
    } finally {
      release();
    }
  }

  /** Runs what came in from the background; an act of it that cannot be written is kept. */
  private void carefully(Runnable work) {
    if (holding) {
      attempt(work, work);
    } else {
      holding = true;
      try {
        attempt(work, work);
      } finally {
        release();
      }
    }
  }

  private void attempt(Runnable work, @Nullable Runnable again) {
    try {
      work.run();
    } catch (NotWritten e) {
      String key = "trouble.not-written." + e.why().name().toLowerCase(Locale.ROOT);
      trouble = new Trouble(words.say(key, session.journal().file()), again, e.why());
      session.log().note(String.valueOf(e.getMessage()));
      stale = true;
    } catch (RuntimeException | StackOverflowError e) {
      fault(words.say("trouble.key"), e);
    }
  }

  /** Tells of a fault of the program, wherever it was found. */
  public void fault(String what, Throwable fault) {
    trouble = new Trouble(session.told(what, fault), null, null);
    refresh();
  }

  private void release() {
    holding = false;
    if (stale) {
      refresh();
    }
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

  /** Gives the build on the bench. */
  public Optional<OpenBuild> build() {
    return session.open();
  }

  /** Gives why the last act was not written; empty when it was. */
  public Optional<NotWritten.Why> unwritten() {
    Trouble told = trouble;
    return told == null ? Optional.empty() : Optional.ofNullable(told.why());
  }

  /** Gives the card that is shown. */
  public Card card() {
    Card card = noting ? noteCard() : stageCard();
    Trouble told = trouble;
    if (told != null) {
      Card with = card.withVerdict(new Card.Verdict(false, told.text()));
      return told.again() == null ? with : with.withGo(words.say("trouble.again"), () -> {});
    }
    String failed = session.open().map(OpenBuild::failed).orElse("");
    return failed.isEmpty() || card.verdict().isPresent() || card.goEnabled()
        ? card
        : card.withVerdict(new Card.Verdict(false, failed));
  }

  private Card stageCard() {
    try {
      return stage.card();
    } catch (RuntimeException | StackOverflowError e) {
      stage = new TroubleStage(this, session.told(words.say("trouble.stage"), e));
      return stage.card();
    }
  }

  /** Gives the picture that is shown. */
  public Mat mat() {
    try {
      return stage.mat();
    } catch (RuntimeException | StackOverflowError e) {
      stage = new TroubleStage(this, session.told(words.say("trouble.stage"), e));
      return stage.mat();
    }
  }

  @Override
  public void go(StageId to) {
    Optional<OpenBuild> open = session.open();
    StageId next = open.isEmpty() ? StageId.SHELF : to;
    Stage made =
        safely(() ->
            open.isEmpty() || next == StageId.SHELF
                ? new ShelfStage(session, this, clock)
                : made(next, open.get()));
    stageId = next;
    show(made);
  }

  @Override
  public void show(Stage shown) {
    noting = false;
    if (shown != stage) {
      stage.left();
    }
    stage = shown;
    refresh();
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

  /** Goes along the trace, as a function key or a click does. */
  public void goByKey(StageId to) {
    handle(() -> {
      trouble = null;
      go(to);
    });
  }

  /** Hands the stage a drag from one thing on the mat onto another. */
  public void drag(String from, String to) {
    acted(() -> stage.drag(from, to));
  }

  /** Hands the stage a click on what the mat calls {@code spot}. */
  public void pick(String spot) {
    acted(() -> stage.pick(spot));
  }

  private void acted(Runnable work) {
    handle(() -> {
      if (!noting) {
        trouble = null;
        work.run();
        refresh();
      }
    });
  }

  /** Pulls the picture by so many pixels; tells whether it follows. */
  public boolean pull(double dx, double dy) {
    boolean[] follows = {false};
    handle(() -> {
      follows[0] = stage.pull(dx, dy);
      if (follows[0]) {
        refresh();
      }
    });
    return follows[0];
  }

  /** Turns the wheel over the picture, up or down. */
  public void wheel(boolean up) {
    handle(() -> {
      stage.wheel(up);
      refresh();
    });
  }

  @Override
  public void refresh() {
    if (!face.isHere()) {
      face.later(this::refresh);
      return;
    }
    if (holding) {
      stale = true;
      return;
    }
    stale = false;
    face.show();
  }

  private Card noteCard() {
    return new Card.Maker(words.say("note.kicker"), words.say("note.title"))
        .field(remark.toString(), "", Takes.TEXT)
        .key(Card.ESC, words.say("note.leave"), this::leaveNote)
        .go(words.say("note.go"), this::noted);
  }

  private void leaveNote() {
    noting = false;
    refresh();
  }

  /** Switches the practice bench. */
  public void togglePractice() {
    handle(() -> {
      session.open().ifPresent(open -> open.practiceOn(!open.practiceOn()));
      go(stageId);
    });
  }

  @Override
  public void paste() {
    face.copied().ifPresent(this::paste);
  }

  /** Hands a text to the stage, or to the remark that is being written. */
  public void paste(String text) {
    handle(() -> {
      if (noting) {
        remark.append(text.replaceAll("\\s+", " "));
      } else {
        stage.paste(text);
      }
      refresh();
    });
  }

  @Override
  public void chooseFile(String title, Consumer<Path> then) {
    face.chooseFile(title, then);
  }

  /** Opens a file where the stage takes one. */
  public void openFile() {
    handle(stage::openFile);
  }

  /** A kit that is dropped on the window is laid on the bench; any other file is a list. */
  public void dropped(List<Path> files) {
    handle(() -> files.forEach(this::dropped));
  }

  private void dropped(Path path) {
    String name = String.valueOf(path.getFileName());
    if (java.nio.file.Files.isDirectory(path)
        || name.endsWith(".hckit")
        || name.equals("kit.json")) {
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

  /** Tells whether a blank typed now belongs to a text. */
  public boolean takesBlank() {
    return noting || (!stage.typed().isEmpty() && stage.card().takes().text());
  }

  /** Takes one character, from the keypad or the main block. */
  public void character(String text) {
    handle(() -> takeCharacter(text));
  }

  private void takeCharacter(String text) {
    if (noting) {
      remark.append(text);
      refresh();
      return;
    }
    trouble = null;
    char c = text.charAt(0);
    Card card = stage.card();
    Takes takes = card.takes();
    String typed = stage.typed().text();
    if (takes.text() && takes.takes(c, typed)) {
      type(typed + text);
      return;
    }
    switch (c) {
      case '-' -> {
        if (takes.sign() && typed.isEmpty()) {
          type("-");
        } else {
          takeBackNow();
        }
      }
      case '*' -> note();
      case '/' -> press(card, c, this::wrong);
      default -> other(card, c, typed);
    }
  }

  private void other(Card card, char c, String typed) {
    boolean bandsBegun = !typed.isEmpty() && Character.isLetter(typed.charAt(0));
    if (Character.toUpperCase(c) == 'H' && !bandsBegun) {
      face.foldReasons();
    } else if (card.takes().takes(c, typed)) {
      type(typed + c);
    } else {
      press(card, Character.toUpperCase(c), () -> {});
    }
  }

  /** Does what the card says that a key does, or what it does where the card says nothing. */
  private void press(Card card, char key, Runnable otherwise) {
    card.key(key).map(Card.Key::act).orElse(otherwise).run();
    refresh();
  }

  @Override
  public void type(String text) {
    stage.typed().type(text);
    refresh();
  }

  /** Takes back a character, or where nothing is typed the last act. */
  public void backspace() {
    handle(() -> {
      String typed = stage.typed().text();
      if (noting) {
        remark.setLength(Math.max(0, remark.length() - 1));
        refresh();
      } else if (!typed.isEmpty()) {
        type(typed.substring(0, typed.length() - 1));
      } else {
        takeBackNow();
      }
    });
  }

  /** Leaves the remark, does what the card says of it, or empties the field. */
  public void escape() {
    handle(() -> {
      trouble = null;
      if (noting) {
        leaveNote();
      } else {
        press(stage.card(), Card.ESC, () -> type(""));
      }
    });
  }

  /** Takes the last act back. */
  public void takeBack() {
    handle(this::takeBackNow);
  }

  private void takeBackNow() {
    trouble = null;
    press(stage.card(), Card.BACK, this::back);
  }

  @Override
  public void back() {
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
      remark.setLength(0);
      refresh();
    }
  }

  @Override
  public void wrong() {
    session
        .open()
        .ifPresent(open -> {
          open.act(new BuildEvent.Wrong(words.say(stageId.key()), stage.card().title()));
          show(new MendStage(open, this, stageId));
        });
  }

  /** Does what a key on the card says. */
  public void hint(Card.Key hint) {
    handle(() -> {
      trouble = null;
      hint.act().run();
      refresh();
    });
  }

  /** Does what the large button says; what failed to be written in the background goes first. */
  public void enter() {
    handle(() -> {
      Trouble told = trouble;
      trouble = null;
      if (told != null && told.again() != null) {
        attempt(told.again(), told.again());
        refresh();
      } else {
        Card card = noting ? noteCard() : stage.card();
        if (card.goEnabled()) {
          card.enter().run();
          refresh();
        } else {
          trouble = told;
        }
      }
    });
  }

  private void noted() {
    String text = remark.toString().strip();
    if (!text.isEmpty()) {
      session
          .open()
          .ifPresent(open -> open.act(new BuildEvent.Noted(words.say(stageId.key()), text)));
    }
    leaveNote();
  }
}
