package humble.desktop.book;

import humble.core.book.BenchStage;
import humble.core.book.Ledger;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.power.Unproved;
import humble.core.words.ForeignText;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.PaperOut;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.InputFile;
import humble.formats.WholeFile;
import humble.formats.kit.BuildArchive;
import humble.formats.report.EventWords;
import humble.formats.report.SellerList;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** The log that wrote itself: evenings as lanes, what they come to, and the report. */
final class BookHand extends Hand {
  /** More than these fill the card; the report has them all. */
  private static final int MOST_UNPROVED = 3;

  private final Session session;
  private final OpenBuild open;
  private final ReportFolder folder;
  private final Consumer<Hand> over;
  private final Words reportWords =
      Words.of("humble.formats.report.report", Locale.getDefault()).naming(ForeignText::shown);
  private ReportForm form = ReportForm.HTML;
  private Errand<?> writing = Errand.over();
  private @Nullable Path written;
  private @Nullable Summed summed;
  private final Prints prints;
  private boolean asking;
  private Paper asked = Paper.REPORT;
  private Optional<Card.Verdict> answer = Optional.empty();

  BookHand(Seat seat, Session session, OpenBuild open, Consumer<Hand> over) {
    super(seat);
    this.session = session;
    this.open = open;
    this.over = over;
    this.folder = new ReportFolder(session.home());
    this.prints = new Prints(session.photos(), open.works());
  }

  @Override
  public void left() {
    prints.left();
    super.left();
  }

  /**
   * What a build comes to: summed up once for each act, since the book is painted oftener.
   *
   * @param of the build that it was summed up of
   */
  private record Summed(
      Build of, Ledger ledger, List<LanesMat.Mark> marks, boolean waits, List<Phrase> unproved) {}

  private Summed summed() {
    Build build = open.build();
    Summed known = summed;
    if (known == null || known.of() != build) {
      known =
          new Summed(
              build,
              Ledger.of(open.kit(), build, ZoneId.systemDefault()),
              marks(build),
              !SellerList.of(open.kit(), build).isEmpty(),
              Unproved.of(open.kit(), build));
      summed = known;
    }
    return known;
  }

  @Override
  public Card card() {
    Build build = open.build();
    Ledger ledger = summed().ledger();
    List<Phrase> unproved = summed().unproved();
    String title =
        !build.isClosed() ? "book.so-far" : unproved.isEmpty() ? "book.done" : "book.closed";
    Card.Maker card = seat.card(say("book.kicker"), say(title));
    Duration time = ledger.bench();
    card.how(
        say(
            "book.time",
            time.toHours(),
            String.format(Locale.ROOT, "%02d", time.toMinutesPart()),
            build.entries().size()));
    rows(card, build, ledger);
    if (build.isClosed()) {
      unproved.stream()
          .limit(MOST_UNPROVED)
          .forEach(each -> card.row(Standing.DEVIATED, seat.say(each)));
      if (unproved.size() > MOST_UNPROVED) {
        card.row(Standing.DEVIATED, say("book.more-unproved", unproved.size() - MOST_UNPROVED));
      }
    }
    answer.ifPresent(said -> card.verdict(said.good(), said.text()));
    card.why(folder.isOwn() ? say("book.folder.own") : say("book.folder", folder.now()));
    return keys(card);
  }

  private void rows(Card.Maker card, Build build, Ledger ledger) {
    long wrongs =
        build.inForce().stream().filter(e -> e.event() instanceof BuildEvent.Wrong).count();
    long backs =
        build.entries().stream().filter(e -> e.event() instanceof BuildEvent.TookBack).count();
    card.row(
        ledger.joints() == 0 ? Standing.TO_DO : Standing.DONE, say("book.joints", ledger.joints()));
    ledger
        .firstTime()
        .rate()
        .ifPresentOrElse(
            rate ->
                card.row(
                    rate == 1 ? Standing.DONE : Standing.DEVIATED,
                    say(
                        "book.first",
                        ledger.firstTime().parts(),
                        ledger.firstTime().parts() - ledger.firstTime().troubled().size())),
            () -> card.row(Standing.TO_DO, say("book.parts", 0)));
    card.row(
        wrongs == 0 ? Standing.DONE : Standing.DEVIATED, say("book.wrong.backs", wrongs, backs));
    if (!ledger.waits().isEmpty()) {
      card.row(
          Standing.TO_DO,
          say(
              "book.waits",
              ledger.waits().size(),
              String.join(", ", ledger.waits().stream().map(Ledger.Stock::item).toList())));
    }
    build.restsOn().ifPresent(other -> card.row(Standing.DONE, say("book.rests-on", other.name())));
    if (build.isTakenOver()) {
      card.row(
          build.unseen().isEmpty() ? Standing.DONE : Standing.DEVIATED,
          say("book.taken-over", build.unseen().size()));
    }
    long unread =
        build.entries().stream().filter(e -> e.event() instanceof BuildEvent.Unread).count();
    if (unread > 0) {
      card.row(Standing.DEVIATED, say("book.unread", unread));
    }
  }

  private Card keys(Card.Maker card) {
    ReportForm next = ReportForm.values()[(form.ordinal() + 1) % ReportForm.values().length];
    if (asking) {
      card.key('+', say("book.beside"), () -> paper(asked, true));
    } else {
      card.key(
          '+',
          say("book.form", say("book.form." + next.ending().substring(1))),
          () -> {
            form = next;
            answer = Optional.empty();
          });
    }
    card.key('.', say("book.elsewhere"), this::elsewhere);
    Path last = written;
    if (last != null) {
      card.key('5', say("book.show"), () -> show(last));
    }
    card.key('4', say("book.along"), () -> paper(Paper.ALONG, false));
    card.key(
        '6', say("book.rests"), () -> over.accept(new RestsOnHand(seat, session, open, mat())));
    if (summed().waits()) {
      card.key('7', say("book.seller"), () -> paper(Paper.SELLER, false));
    }
    card.key('*', say("key.note"), () -> seat.desk().note());
    card.key(Card.BACK, say("key.take-back"), () -> seat.desk().back());
    String as = say("book.form." + form.ending().substring(1));
    return writing.isRunning()
        ? card.notYet(say("book.writing"))
        : asking
            ? card.go(say("book.again", says(asked, as)), () -> paper(asked, false))
            : card.go(say("book.go", as), () -> paper(Paper.REPORT, false));
  }

  private void elsewhere() {
    seat.desk()
        .chooseFolder(
            say("book.choose"),
            chosen -> {
              try {
                folder.choose(chosen);
                asking = false;
                answer = Optional.empty();
              } catch (IOException e) {
                said(false, say("paper.not", chosen, InputFile.reason(e)));
              }
              seat.desk().refresh();
            });
  }

  private void show(Path file) {
    if (!seat.desk().showFile(file)) {
      said(false, say("book.not-shown", file));
    }
  }

  private void said(boolean good, String text) {
    answer = Optional.of(new Card.Verdict(good, text));
  }

  /** What became of writing a file. */
  private sealed interface Outcome {
    /** It is written. */
    record Done(Path file) implements Outcome {}

    /** A file is there. */
    record There(String name) implements Outcome {}

    /** It could not be written. */
    record Not(String name, String why) implements Outcome {}
  }

  /** What is written from here. */
  private enum Paper {
    /** The report, in the form that was chosen. */
    REPORT,
    /** The build with its kit as one file. */
    ALONG,
    /** What was short, for the seller. */
    SELLER
  }

  private String says(Paper paper, String form) {
    return switch (paper) {
      case REPORT -> form;
      case ALONG -> say("book.along.file");
      case SELLER -> say("book.seller.file");
    };
  }

  private String ending(Paper paper) {
    return switch (paper) {
      case REPORT -> form.ending();
      case ALONG -> BuildArchive.ENDING;
      case SELLER -> "-seller.txt";
    };
  }

  /**
   * Writes a file in the background; one that is there is replaced only where that was asked.
   *
   * @param beside whether it is written under another name instead
   */
  private void paper(Paper paper, boolean beside) {
    boolean overwriting = asking && paper == asked && !beside;
    Build build = open.build();
    Path to = folder.now();
    String ending = ending(paper);
    ReportForm as = form;
    asking = false;
    asked = paper;
    answer = Optional.empty();
    writing =
        own(
            open.works()
                .start(
                    calledOff ->
                        written(
                            () ->
                                switch (paper) {
                                  case REPORT -> as.bytes(open.kit(), build, session.photos());
                                  case ALONG -> session.along(build);
                                  case SELLER -> SellerList.bytes(open.kit(), build);
                                },
                            build.id(),
                            ending,
                            to,
                            overwriting,
                            beside),
                    this::take));
  }

  private Outcome written(
      PaperOut.Content content,
      String stem,
      String ending,
      Path to,
      boolean overwriting,
      boolean beside) {
    String name = stem + ending;
    try {
      Path file = WholeFile.within(to, stem, ending);
      byte[] bytes = content.bytes();
      if (beside) {
        file = WholeFile.unused(file);
        WholeFile.create(file, bytes);
      } else if (overwriting) {
        WholeFile.replace(file, bytes);
      } else {
        WholeFile.create(file, bytes);
      }
      return new Outcome.Done(file);
    } catch (FileAlreadyExistsException e) {
      return new Outcome.There(name);
    } catch (IOException e) {
      return new Outcome.Not(name, InputFile.reason(e));
    }
  }

  private void take(Outcome outcome) {
    switch (outcome) {
      case Outcome.Done done -> {
        written = done.file();
        said(true, say("paper.written", done.file()));
      }
      case Outcome.There there -> {
        asking = true;
        said(false, say("paper.there", there.name()));
      }
      case Outcome.Not not -> said(false, say("paper.not", not.name(), not.why()));
    }
  }

  private List<LanesMat.Mark> marks(Build build) {
    List<LanesMat.Mark> marks = new ArrayList<>();
    for (BuildEvent.Entry entry : build.inForce()) {
      String photo = entry.event() instanceof BuildEvent.PhotoKept kept ? kept.file() : "";
      stage(entry.event())
          .ifPresent(stage ->
              marks.add(
                  new LanesMat.Mark(
                      entry.at(),
                      stage,
                      EventWords.say(reportWords, entry.event()),
                      entry.event() instanceof BuildEvent.Wrong
                          || entry.event() instanceof BuildEvent.Unread,
                      photo)));
    }
    return marks;
  }

  /** A photo belongs to the stage that it was dropped on. */
  private static Optional<StageId> stage(BuildEvent event) {
    String of =
        event instanceof BuildEvent.PhotoKept kept
            ? kept.stage().toUpperCase(Locale.ROOT)
            : BenchStage.of(event).map(Enum::name).orElse("");
    return Arrays.stream(StageId.values()).filter(id -> id.name().equals(of)).findFirst();
  }

  @Override
  public Mat mat() {
    return new LanesMat(
        say("book.mat"),
        summed().marks(),
        summed().ledger(),
        ZoneId.systemDefault(),
        prints::of,
        seat.words());
  }
}
