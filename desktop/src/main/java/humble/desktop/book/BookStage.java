package humble.desktop.book;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.power.Unproved;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.PaperOut;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import humble.formats.report.EventWords;
import humble.formats.report.HtmlReport;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The log that wrote itself: evenings as lanes, and the report. */
public final class BookStage implements Stage {
  /** More than these fill the card; the report has them all. */
  private static final int MOST_UNPROVED = 4;

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Words reportWords = Words.of("humble.formats.report.report", Locale.getDefault());
  private final PaperOut report;
  private final Typed typed = new Typed();

  /** Makes the stage; reports go into the folder of the bench. */
  public BookStage(OpenBuild open, Desk desk, Path home) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.report = new PaperOut(words, home.resolve("reports"), open.build().id(), ".html");
  }

  @Override
  public Card card() {
    Build build = open.build();
    Duration time = build.benchTime(Instant.EPOCH);
    List<Phrase> unproved = Unproved.of(open.kit(), build);
    String title =
        !build.isClosed() ? "book.so-far" : unproved.isEmpty() ? "book.done" : "book.closed";
    Card.Maker card = new Card.Maker(words.say("book.kicker"), words.say(title));
    card.how(
        words.say(
            "book.time",
            time.toHours(),
            String.format(Locale.ROOT, "%02d", time.toMinutesPart()),
            build.entries().size()));
    int joints = build.inForce().stream().mapToInt(e -> joints(e.event())).sum();
    long wrongs =
        build.inForce().stream().filter(e -> e.event() instanceof BuildEvent.Wrong).count();
    long backs =
        build.entries().stream().filter(e -> e.event() instanceof BuildEvent.TookBack).count();
    card.row(joints == 0 ? Standing.TO_DO : Standing.DONE, words.say("book.joints", joints));
    card.row(
        build.fittedRefs().isEmpty() ? Standing.TO_DO : Standing.DONE,
        words.say("book.parts", build.fittedRefs().size()));
    card.row(wrongs == 0 ? Standing.DONE : Standing.TO_DO, words.say("book.wrong", wrongs));
    card.row(Standing.DONE, words.say("book.backs", backs));
    long unread =
        build.entries().stream().filter(e -> e.event() instanceof BuildEvent.Unread).count();
    if (unread > 0) {
      card.row(Standing.DEVIATED, words.say("book.unread", unread));
    }
    if (build.isClosed()) {
      unproved.stream()
          .limit(MOST_UNPROVED)
          .forEach(each -> card.row(Standing.DEVIATED, desk.coreWords().say(each)));
      if (unproved.size() > MOST_UNPROVED) {
        card.row(
            Standing.DEVIATED, words.say("book.more-unproved", unproved.size() - MOST_UNPROVED));
      }
    }
    report.answer().ifPresent(said -> card.verdict(said.good(), said.text()));
    if (report.asking()) {
      card.key('+', words.say("book.beside"), () -> report.writeBeside(this::page));
    }
    card.key(Card.BACK, words.say("key.take-back"), desk::back);
    card.key('*', words.say("key.note"), desk::note);
    return card.go(
        words.say(report.asking() ? "book.again" : "book.go"), () -> report.write(this::page));
  }

  private byte[] page() {
    return HtmlReport.of(open.kit(), open.build(), Locale.getDefault(), ZoneId.systemDefault())
        .getBytes(StandardCharsets.UTF_8);
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    List<LanesMat.Mark> marks = new ArrayList<>();
    for (BuildEvent.Entry entry : open.build().inForce()) {
      StageId stage = stage(entry.event());
      if (stage != null) {
        marks.add(
            new LanesMat.Mark(
                entry.at(),
                stage,
                EventWords.say(reportWords, entry.event()),
                entry.event() instanceof BuildEvent.Wrong
                    || entry.event() instanceof BuildEvent.Unread));
      }
    }
    return new LanesMat(words.say("book.mat"), marks, ZoneId.systemDefault(), words);
  }

  private static int joints(BuildEvent event) {
    return event instanceof BuildEvent.Fitted whole
        ? whole.joints()
        : event instanceof BuildEvent.FittedSome some ? some.joints() : 0;
  }

  private static @Nullable StageId stage(BuildEvent event) {
    return switch (event) {
      case BuildEvent.Counted e -> StageId.UNPACK;
      case BuildEvent.Measured e -> StageId.SORT;
      case BuildEvent.BandsRead e -> StageId.SORT;
      case BuildEvent.Sees e -> StageId.SORT;
      case BuildEvent.UsesMeter e -> StageId.SORT;
      case BuildEvent.FedBy e -> StageId.POWER;
      case BuildEvent.SeriesRead e -> StageId.POWER;
      case BuildEvent.Checked e ->
          e.check().equals(BuildEvent.Checked.SUPPLY) ? StageId.UNPACK : StageId.POWER;
      case BuildEvent.HostRead e -> StageId.UNPACK;
      case BuildEvent.Surveyed e -> StageId.UNPACK;
      case BuildEvent.HoleSeen e -> StageId.FIT;
      case BuildEvent.Answered e -> StageId.SHELF;
      case BuildEvent.LookedOver e -> StageId.UNPACK;
      case BuildEvent.Snapped e -> StageId.UNPACK;
      case BuildEvent.TookSchool e -> StageId.PLAN;
      case BuildEvent.Moved e -> StageId.PLAN;
      case BuildEvent.Fitted e -> StageId.FIT;
      case BuildEvent.FittedSome e -> StageId.FIT;
      case BuildEvent.TookOut e -> StageId.FIT;
      case BuildEvent.LeftOut e -> StageId.FIT;
      case BuildEvent.Replaced e -> StageId.FIT;
      case BuildEvent.Chose e -> StageId.FIT;
      case BuildEvent.GateRead e -> StageId.POWER;
      case BuildEvent.GatePassed e -> StageId.POWER;
      case BuildEvent.GateOverridden e -> StageId.POWER;
      case BuildEvent.Mended e -> StageId.POWER;
      case BuildEvent.Observed e -> null;
      case BuildEvent.FaultHidden e -> null;
      case BuildEvent.SettingMade e -> StageId.LOAD;
      case BuildEvent.BesideDone e -> StageId.LOAD;
      case BuildEvent.RowPut e -> StageId.LOAD;
      case BuildEvent.RowRead e -> StageId.LOAD;
      case BuildEvent.PanelOff e -> StageId.LOAD;
      case BuildEvent.ProgramShown e -> StageId.LOAD;
      case BuildEvent.UsesProgrammer e -> StageId.LOAD;
      case BuildEvent.Loaded e -> StageId.LOAD;
      case BuildEvent.Started e -> StageId.LOAD;
      case BuildEvent.Saw e -> StageId.WAKE;
      case BuildEvent.Woke e -> StageId.WAKE;
      case BuildEvent.ScrewTaken e -> StageId.CLOSE;
      case BuildEvent.Closed e -> StageId.CLOSE;
      case BuildEvent.PlansEvenings e -> StageId.PLAN;
      case BuildEvent.MarksWeighed e -> StageId.FIT;
      case BuildEvent.ModuleRead e -> StageId.FIT;
      case BuildEvent.Wound e -> StageId.FIT;
      case BuildEvent.Coiled e -> StageId.FIT;
      case BuildEvent.Tried e -> StageId.FIT;
      case BuildEvent.Repaired e -> StageId.POWER;
      case BuildEvent.JointSeen e -> null;
      case BuildEvent.Began e -> null;
      case BuildEvent.Turned e -> null;
      case BuildEvent.MarkSeen e -> null;
      case BuildEvent.Acknowledged e -> null;
      case BuildEvent.Noted e -> StageId.BOOK;
      case BuildEvent.Wrong e -> StageId.BOOK;
      case BuildEvent.TookBack e -> null;
      case BuildEvent.Unread e -> StageId.BOOK;
    };
  }
}
