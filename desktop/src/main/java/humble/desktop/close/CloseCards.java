package humble.desktop.close;

import humble.core.casing.CaseFit;
import humble.core.casing.Section;
import humble.core.kit.Enclosure;
import humble.core.kit.Parts;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Reckoned;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.formats.InputFile;
import humble.formats.WholeFile;
import humble.formats.template.TemplatePdf;
import java.io.IOException;
import java.nio.file.Path;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What the hands of Close share: the build with its kit as it was last told, and the section. */
final class CloseCards {
  private final Seat seat;
  private final Session session;
  private int plane;
  private Errand<?> writing = Errand.over();
  private String said = "";

  CloseCards(Seat seat, Session session) {
    this.seat = seat;
    this.session = session;
  }

  Session session() {
    return session;
  }

  OpenBuild open() {
    return session.open().orElseThrow();
  }

  Optional<Enclosure> casing() {
    return open().kit().casing();
  }

  /** The parts as they are laid out by the kit: what is not fitted yet has to fit too. */
  Parts parts() {
    return open().parts();
  }

  /** What is worked out with the plans is not worked out again. */
  CaseFit fit() {
    OpenBuild now = open();
    return now.reckoned()
        .map(Reckoned::caseFit)
        .orElseGet(() -> CaseFit.of(now.parts(), now.build().choices()));
  }

  /** Says what would have to be known to tell more. */
  void withUnsaid(Card.Maker card) {
    fit().unsaid().forEach(each -> card.row(Standing.TO_DO, seat.say(each)));
  }

  private List<Section.Plane> planes() {
    return Section.planes(parts(), open().build().choices(), fit());
  }

  /** Cuts through a part from now on, where it can be cut through. */
  void lookAt(String ref) {
    List<Section.Plane> all = planes();
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).ref().equals(ref)) {
        plane = i;
      }
    }
  }

  /** Adds the key that cuts elsewhere. */
  void withPlanes(Card.Maker card) {
    List<Section.Plane> all = planes();
    if (all.size() > 1) {
      Section.Plane next = all.get((plane + 1) % all.size());
      card.key(
          '+', seat.say("close.key.plane", next.ref()), () -> plane = (plane + 1) % all.size());
    }
  }

  /** Says what would be shut in unfinished. */
  void withUnfitted(Card.Maker card) {
    OpenBuild now = open();
    long left =
        now.plan().stream()
            .flatMap(plan -> plan.steps().stream())
            .filter(step -> Progress.place(now.kit(), step) == StageId.FIT)
            .filter(step -> !Progress.stepDone(now.build(), step))
            .count();
    if (left > 0) {
      card.verdict(false, seat.say("close.unfitted", left));
    }
  }

  /** Writes the templates of the kit in the background, beside what is there. */
  void templates() {
    OpenBuild now = open();
    Path folder = session.home().resolve("templates");
    writing = now.works().start(calledOff -> written(now, folder), text -> said = text);
  }

  private String written(OpenBuild now, Path folder) {
    try {
      TemplatePdf.Made made = TemplatePdf.of(now.kit(), now.build().choices(), Locale.getDefault());
      if (made.pages() == 0) {
        return seat.say("close.templates.none");
      }
      Path file = WholeFile.unused(WholeFile.within(folder, now.build().id(), ".pdf"));
      WholeFile.create(file, made.bytes());
      return seat.say("close.templates.written", file, made.pages());
    } catch (IOException e) {
      return seat.say("paper.not", folder, InputFile.reason(e));
    }
  }

  /** Adds the key that writes templates, and what came of it. */
  void withTemplates(Card.Maker card) {
    writing.failed().ifPresent(text -> card.verdict(false, text));
    if (!said.isEmpty()) {
      card.why(said);
    }
    if (casing().isPresent() && !writing.isRunning()) {
      card.key('7', seat.say("close.key.templates"), this::templates);
    }
  }

  /** Gives the section, with a screw that is in hand; an empty name for none. */
  Mat mat(String screw) {
    List<Section.Plane> all = planes();
    Section.Plane through = all.isEmpty() ? null : all.get(plane % all.size());
    Section section =
        Section.at(parts(), open().build().choices(), through == null ? 0 : through.atMm());
    return new SectionMat(
        seat.say("close.mat"),
        parts(),
        section,
        through == null ? "" : through.ref(),
        fit(),
        screw,
        seat.words(),
        seat.desk().coreWords());
  }

  /** Gives millimetres as they stand on a rule. */
  static String mm(double value) {
    return new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(value)
        + " mm";
  }
}
