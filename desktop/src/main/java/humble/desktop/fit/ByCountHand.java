package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.kit.Harm;
import humble.core.kit.Line;
import humble.core.kit.Marks;
import humble.core.kit.Part;
import humble.core.kit.PartPackage;
import humble.core.route.Step;
import humble.core.words.Words;
import humble.desktop.stage.Card;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Fits parts of which the kit knows how many there are and not where they go. */
final class ByCountHand extends StepHand {
  private static final int MARKS = 2;

  /** The outline that is printed round each place. */
  private static final String OUTLINE = "outline";

  private final Line line;

  ByCountHand(Of of) {
    super(of);
    this.line =
        open.kit()
            .line(step.line())
            .orElseThrow(() -> new IllegalStateException("no line " + step.line()));
  }

  /** Gives what is said above a step of parts that are known by number alone. */
  private static String title(Words words, Step step, Line line) {
    return words.say(
        step.act() == Step.Act.FIT ? "fit.by-count.title" : "fit.by-count.insert",
        LineNames.single(words, line),
        step.count());
  }

  @Override
  String title() {
    return title(seat.words(), step, line);
  }

  private Harm harm() {
    Optional<PartPackage> pack = open.kit().packageNamed(line.packageId());
    return pack.map(p -> Harm.ifReversed(Part.anyOf(line, p))).orElse(line.kind().reversed());
  }

  @Override
  public Card card() {
    Card.Maker card = begun();
    String print = LineNames.brief(seat.words(), line);
    card.how(
        line.value().isEmpty()
            ? say("fit.by-count.where.plain")
            : say("fit.by-count.where", print));
    way().ifPresent(key -> card.how(say(key)));
    Harm harm = harm();
    boolean cautioned = caution(card);
    if (!cautioned && harm.needsTwoMarks()) {
      card.caution(harm == Harm.DANGER, say("fit.harm." + harm.name().toLowerCase(Locale.ROOT)));
    }
    long unseen = harm.needsTwoMarks() && line.isOriented() ? marks(card) : 0;
    card.why(say("fit.by-count.why"));
    why(card);
    withTools(card);
    return unseen > 0
        ? card.notYet(say("fit.look-first", unseen))
        : card.go(say(step.act() == Step.Act.FIT ? "fit.go" : "fit.inserted"), this::done);
  }

  private Optional<String> way() {
    return switch (line.way()) {
      case EITHER -> line.polarityMarks().isEmpty() ? Optional.of("fit.either-way") : way("pin1");
      case CATHODE_FIRST -> way("diode");
      case PLUS_FIRST -> way("plus");
      case THREE_LEGS -> way("legs");
      case PIN_1 -> way("pin1");
    };
  }

  private static Optional<String> way(String which) {
    return Optional.of("fit.by-count.way." + which);
  }

  private long marks(Card.Maker card) {
    List<String> marks =
        new ArrayList<>(
            line.polarityMarks().subList(0, Math.min(MARKS, line.polarityMarks().size())));
    marks.add(OUTLINE);
    Set<String> seen = open.build().marksSeen(step.id());
    card.row(Standing.NOW, seat.say("fit.two-marks"));
    if (step.count() > 1) {
      card.how(say("fit.by-count.look"));
    }
    for (int i = 0; i < marks.size(); i++) {
      String mark = marks.get(i);
      boolean done = seen.contains(mark);
      String text = mark.equals(OUTLINE) ? say("fit.by-count.mark") : markText(mark);
      card.choice(
          i + 1,
          done ? Standing.DONE : Standing.TO_DO,
          seat.say("fit.choice", i + 1, text),
          () -> {
            if (!done) {
              open.act(new BuildEvent.MarkSeen(step.id(), mark));
            }
          });
    }
    long looked = marks.stream().filter(seen::contains).count();
    return Math.max(0, Math.min(MARKS, marks.size()) - looked);
  }

  private String markText(String mark) {
    String key = "mark." + Marks.shape(mark);
    return say("mark.on-part", seat.words().knows(key) ? say(key) : mark);
  }
}
