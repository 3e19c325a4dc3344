package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.WindingPlan;
import humble.core.kit.Winding;
import humble.core.route.Step;
import humble.core.units.Engineering;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Takes;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Measures a coil from end to end once it is soldered: the enamel may still lie between its wire
 * and the solder, and afterwards something may cover it.
 */
final class ThroughHand extends StepHand {
  /** Noted at a step whose coils are soldered and not measured yet. */
  static final String SOLDERED = "soldered";

  private static final String OPEN_TYPED = "00";

  private final Coil coil;

  /** A coil of a winding whose ends are known. */
  record Coil(Winding winding, Winding.Coil coil) {
    WindingPlan.Coil plan() {
      return WindingPlan.of(winding).coils().stream()
          .filter(each -> each.id().equals(coil.id()))
          .findFirst()
          .orElseThrow();
    }
  }

  ThroughHand(Of of, Coil coil) {
    super(of);
    this.coil = coil;
  }

  /** Gives the next coil of a step that is not known to be through; empty when all are. */
  static Optional<Coil> next(OpenBuild open, Step step) {
    return step.refs().stream()
        .flatMap(ref -> open.kit().handwork().windingOf(ref).stream())
        .flatMap(winding -> winding.coils().stream().map(each -> new Coil(winding, each)))
        .filter(each -> !each.coil().ends().isEmpty())
        .filter(each -> !open.build().isThrough(each.winding().id(), each.coil().id()))
        .findFirst();
  }

  @Override
  String title() {
    return say("fit.coil.title", coil.coil().id());
  }

  @Override
  protected Optional<String> focused() {
    return Optional.of(coil.winding().ref());
  }

  @Override
  public Card card() {
    WindingPlan.Coil plan = coil.plan();
    Card.Maker card =
        begun()
            .how(
                say(
                    "fit.coil.probes",
                    coil.winding().ref(),
                    coil.coil().ends().getFirst(),
                    coil.coil().ends().getLast()))
            .how(say("fit.coil.reads", Engineering.reading(plan.mostOhms(), "Ω")))
            .why(say("fit.coil.why", Engineering.reading(plan.ohms(), "Ω"), plan.turns()));
    card.field(typed().text(), opens() ? "" : reading().unit(), Takes.DIGITS);
    card.click("0 0", say("mend.reads-open"), () -> found(Double.POSITIVE_INFINITY));
    keys(card, seat);
    card.key('+', say("fit.coil.unproved"), this::fitted);
    if (reading().value() instanceof QuantityText.Unreadable bad && !typed().isEmpty()) {
      card.verdict(false, bad.sentence());
    }
    OptionalDouble ohms = ohms();
    if (ohms.isEmpty()) {
      last(card);
      return open.practiceOn()
          ? card.go(say("power.practice"), this::practised)
          : card.notYet(say("fit.coil.type"));
    }
    boolean through = ohms.getAsDouble() <= plan.mostOhms();
    return card.verdict(through, say(through ? "fit.coil.through" : "fit.coil.not-through"))
        .go(say(through ? "fit.coil.go" : "fit.coil.again"), () -> found(ohms.getAsDouble()));
  }

  private void practised() {
    typed().show(Double.toString(open.practice().measureCoil(coil.plan())));
  }

  /** Two noughts stand for open: no meter shows them. */
  private boolean opens() {
    return typed().text().equals(OPEN_TYPED);
  }

  private TypedReading reading() {
    return new TypedReading(
        typed().text(), TypedReading.Kind.OHMS, List.of(coil.plan().ohms()), typed().moved());
  }

  private OptionalDouble ohms() {
    if (opens()) {
      return OptionalDouble.of(Double.POSITIVE_INFINITY);
    }
    return reading().value() instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }

  private void last(Card.Maker card) {
    boolean failed =
        open.build().inForce().stream()
            .anyMatch(entry ->
                entry.event() instanceof BuildEvent.Coiled read
                    && !read.through()
                    && read.winding().equals(coil.winding().id())
                    && read.coil().equals(coil.coil().id()));
    if (failed) {
      card.verdict(false, say("fit.coil.not-through")).how(say("fit.coil.mend"));
    }
  }

  private void found(double ohms) {
    boolean through = ohms <= coil.plan().mostOhms();
    BuildEvent read =
        new BuildEvent.Coiled(
            coil.winding().id(), coil.coil().id(), ohms, through, typed().isPractice());
    typed().clear();
    open.act(read);
    if (through && next(open, step).isEmpty()) {
      fitted();
    }
  }

  private void fitted() {
    done();
  }
}
