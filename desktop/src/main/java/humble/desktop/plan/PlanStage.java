package humble.desktop.plan;

import humble.core.build.BuildEvent;
import humble.core.route.Plan;
import humble.core.route.School;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Reckoned;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.Optional;

/** Compares the schools and takes one. */
public final class PlanStage implements Stage {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private School school;

  /** Makes the stage. */
  public PlanStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.school = open.build().school().flatMap(School::named).orElse(School.LOW);
  }

  @Override
  public Card card() {
    Optional<Reckoned> reckoned = open.reckoned();
    Card.Maker card = new Card.Maker(words.say("plan.kicker"), words.say("plan." + school.text()));
    if (reckoned.isEmpty()) {
      return card.how(words.say("plan.planning")).notYet(words.say("plan.wait"));
    }
    Plan plan = reckoned.get().plans().get(school);
    if (plan == null) {
      return card.verdict(false, words.say("plan.none")).notYet(words.say("plan.none.go"));
    }
    card.how(words.say("plan." + school.text() + ".how"));
    for (School each : School.values()) {
      Plan other = reckoned.get().plans().get(each);
      if (other != null) {
        String row =
            words.say(
                "plan.row",
                words.say("plan." + each.text()),
                other.cost().inversions(),
                other.cost().turns(),
                time(other.minutes()));
        card.row(each == school ? Standing.NOW : Standing.TO_DO, row);
      }
    }
    if (plan.violations().isEmpty()) {
      card.why(words.say("plan.sheet-ok"));
    } else {
      card.why(
          words.say(
              "plan.sheet",
              plan.violations().size(),
              desk.coreWords().say(plan.violations().getFirst())));
    }
    if (!plan.blocked().isEmpty()) {
      card.why(words.say("plan.blocked", plan.blocked().stream().map(Plan.Blocked::ref).toList()));
    }
    card.hint(
        "+",
        words.say("plan.other"),
        () -> {
          plus();
          desk.refresh();
        });
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.PLAN);
        });
    return card.go(words.say("plan.go"));
  }

  private String time(double minutes) {
    long whole = Math.round(minutes);
    return words.say(
        "time.hours", whole / 60, String.format(java.util.Locale.ROOT, "%02d", whole % 60));
  }

  @Override
  public Mat mat() {
    Plan plan = open.reckoned().map(r -> r.plans().get(school)).orElse(null);
    return new SkylineMat(
        words.say("plan.mat"),
        plan == null ? java.util.List.of() : plan.steps(),
        open.build(),
        open.kit(),
        words);
  }

  @Override
  public void plus() {
    school = School.values()[(school.ordinal() + 1) % School.values().length];
  }

  @Override
  public void enter(String typed) {
    open.act(new BuildEvent.TookSchool(school.text()));
    desk.go(Progress.waitsForGate(open) ? StageId.POWER : StageId.FIT);
  }
}
