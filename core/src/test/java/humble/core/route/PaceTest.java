package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import humble.core.KitMaker;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.Parts;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PaceTest {
  private static List<Pace.Timed> steps(int count, double ratio) {
    return Collections.nCopies(count, new Pace.Timed(Pace.Trade.THIN, 4, 4 * ratio));
  }

  @Test
  void theUsualPaceCountsAsTenObservations() {
    // Ten steps at twice the time against ten at the usual one: half-way, in logarithms.
    assertThat(Pace.of(steps(10, 2)).factor(Pace.Trade.THIN))
        .isCloseTo(Math.sqrt(2), offset(1e-12));
    assertThat(Pace.of(steps(1, 2)).factor(Pace.Trade.THIN)).isBetween(1.0, 1.1);
    assertThat(Pace.of(steps(2000, 2)).factor(Pace.Trade.THIN)).isBetween(1.98, 2.0);
  }

  @Test
  void onePersonsPaceWithThinLeadsSaysNothingOfChips() {
    assertThat(Pace.of(steps(30, 2)).factor(Pace.Trade.PIN)).isEqualTo(1);
    assertThat(Pace.USUAL.seen()).isZero();
  }

  @Test
  void stepsTickedOffAfterwardsOrLeftLyingTeachNothing() {
    List<Pace.Timed> odd = new ArrayList<>(steps(20, 0.01));
    odd.addAll(steps(20, 40));
    assertThat(Pace.of(odd).seen()).isZero();
    assertThat(Pace.of(odd).factor(Pace.Trade.THIN)).isEqualTo(1);
  }

  private static Parts resistors(int count) {
    KitMaker kit = KitMaker.kit();
    for (int i = 1; i <= count; i++) {
      kit.resistor("R" + i, i + "k").place("R" + i, 3 * i, 10);
    }
    return kit.parts();
  }

  private static Plan plan(Parts parts, double evening, Pace pace) throws NoPlan {
    return Planner.plan(parts, School.LOW, Map.of(), evening, Set.of(), List.of(), pace);
  }

  @Test
  void aSlowerPaceMakesMoreEveningsAndTheSameOrder() throws NoPlan {
    Parts parts = resistors(12);
    Plan usual = plan(parts, 3, Pace.USUAL);
    Plan slow = plan(parts, 3, Pace.of(steps(200, 3)));
    assertThat(slow.minutes()).isGreaterThan(usual.minutes() * 2.5);
    assertThat(slow.sessions()).hasSizeGreaterThan(usual.sessions().size());
    assertThat(slow.steps())
        .extracting(Step::id)
        .isEqualTo(usual.steps().stream().map(Step::id).toList());
  }

  @Test
  void eightOfTenEveningsOfAPersonLieInTheInterval() throws NoPlan {
    Parts parts = resistors(10);
    Random random = new Random(11);
    int inside = 0;
    int people = 400;
    for (int person = 0; person < people; person++) {
      double own =
          Math.exp(random.nextGaussian() * Pace.USUAL_SPREAD / Math.sqrt(Pace.USUAL_COUNTS));
      List<Pace.Timed> log = new ArrayList<>();
      for (int i = 0; i < 15; i++) {
        log.add(new Pace.Timed(Pace.Trade.THIN, 1, drawn(random, own)));
      }
      Pace pace = Pace.of(log);
      Plan plan = plan(parts, 0, pace);
      Pace.Expected expected = pace.expected(parts, plan.steps());
      double took = 0;
      for (Step step : plan.steps()) {
        took += step.minutes() / pace.factor(Pace.Trade.THIN) * drawn(random, own);
      }
      if (took >= expected.low() && took <= expected.high()) {
        inside++;
      }
    }
    // The doubt about the pace is taken on the wide side.
    assertThat(inside / (double) people).isBetween(0.76, 0.99);
  }

  private static double drawn(Random random, double own) {
    return own * Math.exp(random.nextGaussian() * Pace.USUAL_SPREAD);
  }

  @Test
  void theLogGivesWhatAStepTookAndDropsWhatAPauseCut() {
    Parts parts = resistors(3);
    Instant start = Instant.parse("2026-11-02T18:00:00Z");
    Build build =
        Build.of(
            "b",
            List.of(
                entry(1, start, new BuildEvent.Began("b", "test", "", 1)),
                entry(2, start.plusSeconds(60), fitted("R1")),
                entry(3, start.plusSeconds(70), new BuildEvent.Turned("main", "bottom", 0)),
                entry(4, start.plusSeconds(120), fitted("R2")),
                entry(5, start.plusSeconds(7200), fitted("R3"))));
    List<Pace.Timed> timed = Pace.timed(parts, build);
    assertThat(timed).extracting(Pace.Timed::minutes).containsExactly(1.0, 1.0);
    assertThat(timed)
        .allSatisfy(step -> {
          assertThat(step.trade()).isEqualTo(Pace.Trade.THIN);
          assertThat(step.usualMinutes()).isCloseTo((14 * 2 + 18) / 60.0, offset(1e-9));
        });
  }

  private static BuildEvent fitted(String ref) {
    return new BuildEvent.Fitted("fit:" + ref, List.of(ref), 2);
  }

  private static BuildEvent.Entry entry(long number, Instant at, BuildEvent event) {
    return new BuildEvent.Entry(number, at, event);
  }
}
