package humble.desktop.keys;

import humble.core.build.BuildEvent;
import humble.core.words.Words;
import humble.desktop.along.AlongStage;
import humble.desktop.draw.Mat;
import humble.desktop.guide.FirstWalk;
import humble.desktop.guide.GuideStage;
import humble.desktop.intake.IntakeStage;
import humble.desktop.mend.MendStage;
import humble.desktop.own.OwnStage;
import humble.desktop.practice.PracticeStage;
import humble.desktop.session.Bench;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Takes;
import humble.formats.guide.GuideBook;
import humble.formats.kit.BuildArchive;
import humble.photo.PhotoFile;
import humble.store.NotWritten;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The keys of the bench: holds the stage that is open, passes keys to it, and says what the window
 * shows. What a key does stands on the card of the stage; the few that hold everywhere stand here.
 * Used on the interface thread only, {@link #refresh} aside.
 *
 * <p>Nothing that fails ends here: see {@link Care}.
 *
 * <p>As long as there are ways to reach a stage: a few lines for each key, click and drag.
 */
public final class BenchKeys implements Desk {
  private final Session session;
  private final Clock clock;
  private final Face face;
  private final Words words = Words.of("humble.desktop.desktop", Locale.getDefault());
  private final Words coreWords = Words.core(Locale.getDefault());
  private final Care care;
  private final Stages stages;
  private StageId stageId = StageId.SHELF;
  private @Nullable Stage ofStage;
  private Stage stage;

  /** What lies over the stage: a remark that is written, the guide, the first walk. */
  private @Nullable Stage over;

  /** Read when it is opened for the first time. */
  private @Nullable GuideBook guide;

  /** Makes the keys of a session; nothing is shown before {@link #begin}. */
  public BenchKeys(Session session, Clock clock, Face face) {
    this.session = session;
    this.clock = clock;
    this.face = face;
    this.care = new Care(session, words, face);
    this.stages = new Stages(session, this, clock);
    this.stage = new TroubleStage(this, "");
    this.stage = first();
    session.whenChanged(this::refresh);
  }

  /** Opens where the build was left, else on the shelf. */
  private Stage first() {
    try {
      stageId = session.open().map(Progress::current).orElse(StageId.SHELF);
    } catch (RuntimeException | StackOverflowError e) {
      return stages.broken(e);
    }
    boolean begun = session.open().isPresent();
    return stages.of(begun && stageId == StageId.SHELF ? StageId.UNPACK : stageId);
  }

  /** Sets who waits off the interface thread; while somebody does, keys are not taken. */
  public void waitBy(Bench.Patience patience) {
    care.waitBy(patience);
  }

  /** Shows everything for the first time. */
  public void begin() {
    care.release();
    refresh();
  }

  /** Handles something and then shows once what it changed. */
  public void handle(Runnable work) {
    care.handle(work);
  }

  /** Tells of a fault of the program, wherever it was found. */
  public void fault(String what, Throwable fault) {
    care.fault(what, fault);
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
    return care.unwritten();
  }

  private Stage inFront() {
    Stage above = over;
    return above == null ? stage : above;
  }

  private boolean remarks() {
    return over instanceof RemarkStage;
  }

  private void layOver(Stage above) {
    putAway();
    over = above;
    refresh();
  }

  private void putAway() {
    Stage was = over;
    over = null;
    if (was != null) {
      was.left();
    }
  }

  /** Gives the card that is shown. */
  public Card card() {
    return care.with(orBroken(this::front));
  }

  /** The card of what is in front; a whole stage may have cautions of its own. */
  private Card front() {
    Card card = inFront().card();
    Stage own = ofStage;
    return over == null && stage == own
        ? session
            .open()
            .map(open -> StageCautions.on(card, stageId, open, stage.typed(), words))
            .orElse(card)
        : card;
  }

  /** Gives the picture that is shown. */
  public Mat mat() {
    return orBroken(() -> inFront().mat());
  }

  /** A stage that a fault ends is left, and told in its place. */
  private <T> T orBroken(Supplier<T> shown) {
    try {
      return shown.get();
    } catch (RuntimeException | StackOverflowError e) {
      Stage ended = stage;
      stage = stages.broken(e);
      putAway();
      ended.left();
      return shown.get();
    }
  }

  @Override
  public void go(StageId to) {
    StageId next = session.open().isEmpty() ? StageId.SHELF : to;
    Stage made = stages.of(next);
    stageId = next;
    ofStage = made;
    show(made);
  }

  @Override
  public void show(Stage shown) {
    putAway();
    Stage before = stage;
    stage = shown;
    if (shown != before) {
      before.left();
    }
    refresh();
  }

  /** Goes along the trace, as a function key or a click does. */
  public void goByKey(StageId to) {
    handle(() -> {
      care.read();
      go(to);
    });
  }

  /** Hands the stage a drag from one thing on the mat onto another. */
  public void drag(String from, String to) {
    acted(() -> inFront().drag(from, to));
  }

  /** Hands the stage a click on what the mat calls {@code spot}. */
  public void pick(String spot) {
    acted(() -> inFront().pick(spot));
  }

  /** Hands the stage a click beside everything that the mat names. */
  public void point(double x, double y) {
    acted(() -> inFront().point(x, y));
  }

  /** Follows the pointer over the mat, where the picture does. */
  public void hover(double x, double y) {
    handle(() -> {
      if (inFront().hover(x, y)) {
        refresh();
      }
    });
  }

  /** Opens the kit of the build on the bench for change. */
  public void changeKit() {
    handle(() -> {
      care.read();
      if (session.open().isPresent()) {
        show(new OwnStage(session, this, stageId));
      }
    });
  }

  /** Draws the boards over the next thing that they can be drawn over: photo or drawing. */
  public void blink() {
    handle(() -> {
      session.open().ifPresent(OpenBuild::blink);
      refresh();
    });
  }

  private void acted(Runnable work) {
    handle(() -> {
      care.read();
      work.run();
      refresh();
    });
  }

  /** Pulls the picture by so many pixels; tells whether it follows. */
  public boolean pull(double dx, double dy) {
    boolean[] follows = {false};
    handle(() -> {
      follows[0] = inFront().pull(dx, dy);
      if (follows[0]) {
        refresh();
      }
    });
    return follows[0];
  }

  /** Turns the wheel over the picture, up or down. */
  public void wheel(boolean up) {
    handle(() -> {
      inFront().wheel(up);
      refresh();
    });
  }

  @Override
  public void refresh() {
    care.refresh();
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
      inFront().paste(text);
      refresh();
    });
  }

  @Override
  public void chooseFile(String title, Consumer<Path> then) {
    face.chooseFile(title, then);
  }

  @Override
  public void chooseFolder(String title, Consumer<Path> then) {
    face.chooseFolder(title, then);
  }

  @Override
  public boolean showFile(Path file) {
    return face.showFile(file);
  }

  /** Opens a file where the stage takes one. */
  public void openFile() {
    handle(() -> stage.openFile());
  }

  /**
   * A kit that is dropped on the window is laid on the bench; any other file is a list, any other
   * folder the files of a board.
   */
  public void dropped(List<Path> files) {
    handle(() -> files.forEach(this::dropped));
  }

  private void dropped(Path path) {
    String name = String.valueOf(path.getFileName());
    boolean board = Files.isDirectory(path) && !Files.exists(path.resolve("kit.json"));
    if (name.endsWith(BuildArchive.ENDING)) {
      stageId = StageId.SHELF;
      show(new AlongStage(session, this, path));
    } else if (!board && Files.isDirectory(path)
        || name.endsWith(".hckit")
        || name.equals("kit.json")) {
      session.layKit(path);
      go(session.open().isPresent() ? StageId.UNPACK : StageId.SHELF);
    } else if (PhotoFile.isNamed(name) && session.open().isPresent()) {
      photo(path);
    } else {
      IntakeStage intake =
          stage instanceof IntakeStage open ? open : new IntakeStage(session, this, clock);
      stageId = StageId.SHELF;
      show(intake);
      intake.file(path);
    }
  }

  /** A photo belongs to the step at hand or to the board; over the board itself it is its own. */
  private void photo(Path path) {
    Runnable ofBoard =
        () -> {
          OwnStage own = stage instanceof OwnStage now ? now : new OwnStage(session, this, stageId);
          show(own);
          own.photo(path);
          refresh();
        };
    // On the shelf no step is at hand.
    if (stage instanceof OwnStage || stageId == StageId.SHELF) {
      ofBoard.run();
    } else {
      session
          .open()
          .ifPresent(open ->
              layOver(
                  new PhotoAsk(
                      this,
                      open,
                      stage,
                      stageId,
                      path,
                      session.photos(),
                      ofBoard,
                      this::leaveOver)));
    }
  }

  /** Tells whether a blank typed now belongs to a text. */
  public boolean takesBlank() {
    return remarks() || (!inFront().typed().isEmpty() && front().takes().text());
  }

  /** Takes one character, from the keypad or the main block. */
  public void character(String text) {
    handle(() -> takeCharacter(text));
  }

  private void takeCharacter(String text) {
    care.read();
    char c = text.charAt(0);
    Card card = front();
    Takes takes = card.takes();
    String typed = inFront().typed().text();
    if (remarks() || (takes.text() && takes.takes(c, typed))) {
      type(typed + text);
      return;
    }
    switch (c) {
      case '-' -> {
        if (takes.sign() && typed.isEmpty()) {
          type("-");
        } else {
          press(card, Card.BACK, this::back);
        }
      }
      case '*' -> press(card, c, this::note);
      case '?' -> press(card, c, () -> guide(pageHere()));
      case '/' -> press(card, c, this::wrong);
      default -> other(card, c, typed);
    }
  }

  private void other(Card card, char c, String typed) {
    boolean bandsBegun = !typed.isEmpty() && Character.isLetter(typed.charAt(0));
    if (Character.toUpperCase(c) == 'H' && !bandsBegun) {
      face.foldReasons();
    } else if (card.takes().takes(c, typed) && !isOwnKey(card, c, typed)) {
      type(typed + c);
    } else {
      press(card, Character.toUpperCase(c), () -> {});
    }
  }

  /** A point at the beginning of a number is the card's own key, where it has one. */
  private static boolean isOwnKey(Card card, char c, String typed) {
    return c == '.' && typed.isEmpty() && card.key(c).isPresent();
  }

  /** Does what the card says that a key does, or what it does where the card says nothing. */
  private void press(Card card, char key, Runnable otherwise) {
    card.key(key).map(Card.Key::act).orElse(otherwise).run();
    refresh();
  }

  @Override
  public void type(String text) {
    inFront().typed().type(text);
    refresh();
  }

  /** Takes back a character, or where nothing is typed the last act. */
  public void backspace() {
    handle(() -> {
      String typed = inFront().typed().text();
      if (!typed.isEmpty()) {
        type(typed.substring(0, typed.length() - 1));
      } else if (!remarks()) {
        takeBackNow();
      }
    });
  }

  /** Leaves the remark, does what the card says of it, or empties the field. */
  public void escape() {
    handle(() -> {
      care.putAway();
      press(front(), Card.ESC, () -> type(""));
    });
  }

  /** Takes the last act back. */
  public void takeBack() {
    handle(this::takeBackNow);
  }

  private void takeBackNow() {
    care.read();
    press(front(), Card.BACK, this::back);
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
    session
        .open()
        .ifPresent(open -> {
          layOver(new RemarkStage(this, open, stage, words.say(stageId.key()), this::leaveOver));
        });
  }

  /** Goes back to the stage beneath. */
  private void leaveOver() {
    putAway();
    refresh();
  }

  /** The page of what is open. */
  private String pageHere() {
    String own = stage.guidePage();
    return own.isEmpty() ? stageId.name().toLowerCase(Locale.ROOT) : own;
  }

  /** Opens the guide at the page of what is open, as its key and its button do. */
  public void openGuide() {
    handle(() -> {
      care.read();
      guide(pageHere());
    });
  }

  @Override
  public void guide(String page) {
    GuideBook book = guide;
    if (book == null) {
      book = GuideBook.shipped();
      guide = book;
    }
    Card beneath = front();
    layOver(new GuideStage(this, book, page, beneath, this::everywhere, this::leaveOver));
  }

  /** What a key that holds everywhere does, by its line on the page of keys. */
  private Optional<Runnable> everywhere(String line) {
    return Everywhere.all().stream()
        .filter(each -> line.equals(each.cap() + " " + words.say(each.key())))
        .findFirst()
        .flatMap(this::act);
  }

  /** What belongs to the keyboard alone cannot be done from a list. */
  private Optional<Runnable> act(Everywhere key) {
    return switch (key) {
      case KIT -> Optional.of(this::changeKit);
      case BLINK -> Optional.of(this::blink);
      case BACK, UNDO -> Optional.of(this::takeBackNow);
      case NOTE -> Optional.of(this::note);
      case WRONG -> Optional.of(this::wrong);
      case PASTE -> Optional.of(this::paste);
      case OPEN -> Optional.of(() -> stage.openFile());
      case WHY -> Optional.of(face::foldReasons);
      case STAGES, GUIDE, ENTER, LEAVE, LARGER, SMALLER, AS_IT_WAS -> Optional.empty();
    };
  }

  @Override
  public void practise() {
    show(new PracticeStage(session, this, clock, () -> go(stageId)));
  }

  /** Shows the first walk, where this bench is a new one. */
  public void welcome() {
    handle(() -> {
      if (session.isNew()) {
        layOver(
            new FirstWalk(
                this,
                toTheEnd -> {
                  session.walked(toTheEnd);
                  leaveOver();
                }));
      }
    });
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
      care.read();
      hint.act().run();
      refresh();
    });
  }

  /** Does what the large button says; what failed to be written in the background goes first. */
  public void enter() {
    handle(() -> {
      if (!care.writtenAgain()) {
        Card card = front();
        if (card.goEnabled()) {
          care.read();
          card.enter().run();
          refresh();
        }
      }
    });
  }
}
