package humble.desktop.practice;

import humble.core.build.BuildEvent;
import humble.core.practice.Answered;
import humble.core.practice.Question;
import humble.core.practice.Questions;
import humble.core.practice.Round;
import humble.core.practice.Skill;
import humble.core.practice.Spacing;
import humble.core.practice.Wanted;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.Session;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.desktop.stage.Typed;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * Two minutes of practice. What is asked follows from how the person did at this bench; every
 * answer is an entry of the bench's journal before it is judged on the card.
 */
public final class PracticeStage implements Stage {
  private static final int MOST_NAMED = 4;
  private static final double MILLIS = 1000;

  private final Session session;
  private final Desk desk;
  private final Words words;
  private final Clock clock;
  private final Runnable leave;
  private final Typed typed = new Typed();
  private final Questions questions;
  private Spacing spacing;
  private @Nullable Round round;
  private @Nullable Question asked;
  private @Nullable Outcome outcome;
  private Instant since = Instant.EPOCH;
  private boolean left;

  /** What an answer was worth. */
  private record Outcome(boolean right, String given) {}

  /** Makes the stage; {@code leave} goes back to where the person came from. */
  public PracticeStage(Session session, Desk desk, Clock clock, Runnable leave) {
    this.session = session;
    this.desk = desk;
    this.words = desk.words();
    this.clock = clock;
    this.leave = leave;
    List<Answered> before = session.practised();
    this.spacing = Spacing.of(before);
    this.questions = new Questions(clock.millis() + before.size());
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public String guidePage() {
    return "practice";
  }

  @Override
  public void left() {
    left = true;
  }

  @Override
  public Card card() {
    Round now = round;
    Question question = asked;
    if (now == null) {
      return begins();
    }
    if (outcome != null && question != null) {
      return judged(now, question, outcome);
    }
    if (question == null || now.isOver(clock.instant())) {
      return over(now);
    }
    return asks(now, question);
  }

  private Card begins() {
    Card.Maker card =
        new Card.Maker(words.say("practice.kicker"), words.say("practice.begin.title"));
    card.how(words.say("practice.begin.how"));
    Instant now = clock.instant();
    List<Skill> due =
        Arrays.stream(Skill.values()).filter(skill -> spacing.isDue(skill, now)).toList();
    card.how(
        spacing
            .next(now)
            .map(next -> words.say("practice.nothing-due", day(next)))
            .orElseGet(() -> words.say("practice.due", named(due))));
    card.why(words.say("practice.why"));
    leaves(card);
    return card.go(words.say("practice.begin"), this::begin);
  }

  private String named(List<Skill> skills) {
    String names =
        skills.stream().limit(MOST_NAMED).map(this::name).reduce((a, b) -> a + ", " + b).orElse("");
    return skills.size() > MOST_NAMED
        ? words.say("practice.and-more", names, skills.size() - MOST_NAMED)
        : names;
  }

  private String name(Skill skill) {
    return words.say("practice.skill." + skill.text());
  }

  private static String day(Instant at) {
    return DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM)
        .withLocale(Locale.getDefault())
        .format(at.atZone(ZoneId.systemDefault()));
  }

  private void leaves(Card.Maker card) {
    card.key(Card.ESC, words.say("practice.leave"), leave);
    card.silent(Card.BACK, () -> {});
    card.silent('/', () -> {});
    card.silent('*', () -> {});
  }

  private void begin() {
    Instant now = clock.instant();
    Round begun = Round.at(now);
    round = begun;
    ask(begun, now);
    // The two minutes end by themselves, whatever is pressed or not.
    CompletableFuture.delayedExecutor(Round.LONGEST.toMillis() + 50, TimeUnit.MILLISECONDS)
        .execute(() -> {
          if (!left) {
            desk.refresh();
          }
        });
  }

  private void ask(Round now, Instant at) {
    outcome = null;
    typed.clear();
    asked = now.hasTime(at) ? questions.of(now.next(spacing, at)) : null;
    since = at;
  }

  private Card.Maker head(Round now, String title) {
    Duration rest = now.left(clock.instant());
    return new Card.Maker(
        words.say(
            "practice.kicker.round",
            now.answers().size(),
            String.format(Locale.ROOT, "%d:%02d", rest.toMinutes(), rest.toSecondsPart())),
        title);
  }

  private Card asks(Round now, Question question) {
    Card.Maker card = head(now, title(question));
    leaves(card);
    return switch (question.wanted()) {
      case Wanted.Value value -> typedValue(card, value);
      case Wanted.Figures figures -> typedFigures(card, question, figures);
      case Wanted.Pad pad -> {
        card.how(words.say("practice.pad.how"));
        ((Question.Lying) question)
            .pads()
            .forEach(each ->
                card.silent(
                    each.key(), () -> answer(pad.isRight(each.key()), String.valueOf(each.key()))));
        yield card.notYet(words.say("practice.pad.go"));
      }
    };
  }

  private Card typedValue(Card.Maker card, Wanted.Value value) {
    TypedReading reading = value.typed(typed.text(), typed.moved());
    card.field(typed.text(), reading.unit(), Takes.DIGITS);
    card.how(words.say(value.within() > 0.01 ? "practice.value.by-head" : "practice.value.how"));
    card.key('+', words.say("sort.prefix"), typed::nextPrefix);
    if (!typed.isEmpty() && reading.value() instanceof QuantityText.Unreadable bad) {
      card.verdict(false, bad.sentence());
    }
    return reading.value() instanceof QuantityText.Read read && !typed.isEmpty()
        ? card.go(
            words.say("practice.answer"),
            () -> answer(value.isRight(read.value()), typed.text() + " " + reading.unit()))
        : card.notYet(words.say("practice.answer"));
  }

  private Card typedFigures(Card.Maker card, Question question, Wanted.Figures figures) {
    boolean hex = question.skill() == Skill.HEX;
    card.field(typed.text(), "", hex ? Takes.digitsOr("abcdef") : Takes.DIGITS);
    card.how(words.say("practice.figures.how"));
    if (hex) {
      card.key('+', words.say("practice.figures.up"), this::lastFigureUp);
    }
    return typed.isEmpty()
        ? card.notYet(words.say("practice.answer"))
        : card.go(
            words.say("practice.answer"),
            () -> answer(figures.isRight(typed.text()), typed.text()));
  }

  /** A keypad has no letters: nine and one more is A. */
  private void lastFigureUp() {
    String text = typed.text();
    if (!text.isEmpty()) {
      int figure = Character.digit(text.charAt(text.length() - 1), 16);
      char up = Character.toUpperCase(Character.forDigit((Math.max(0, figure) + 1) % 16, 16));
      typed.type(text.substring(0, text.length() - 1) + up);
    }
  }

  private String title(Question question) {
    return switch (question) {
      case Question.Bands bands -> words.say("practice.ask.bands");
      case Question.Code code -> words.say("practice.ask.code");
      case Question.Lying lying -> words.say("practice.ask." + lying.skill().text());
      case Question.Row row -> words.say("practice.ask." + row.skill().text());
      case Question.Two two -> words.say("practice.ask." + two.skill().text());
    };
  }

  private void answer(boolean right, String given) {
    Question question = asked;
    Round now = round;
    Instant at = clock.instant();
    if (question == null || now == null || now.isOver(at)) {
      return;
    }
    double seconds = Duration.between(since, at).toMillis() / MILLIS;
    session.drilled(new BuildEvent.Drilled(question.skill().text(), right, seconds));
    round = now.with(new Answered(question.skill(), right, seconds, at));
    outcome = new Outcome(right, given);
    spacing = Spacing.of(session.practised());
    typed.clear();
  }

  private Card judged(Round now, Question question, Outcome came) {
    Card.Maker card = head(now, title(question));
    leaves(card);
    String because = desk.coreWords().sentence(question.because());
    card.verdict(
        came.right(), words.say(came.right() ? "practice.right" : "practice.wrong", because));
    if (!came.right()) {
      card.how(words.say("practice.given", came.given()));
    }
    spacing
        .due(question.skill())
        .ifPresent(due ->
            card.why(
                words.say(
                    "practice.again",
                    name(question.skill()),
                    Again.say(words, clock.instant(), due))));
    Instant at = clock.instant();
    return now.hasTime(at)
        ? card.go(words.say("practice.next"), () -> ask(now, clock.instant()))
        : card.go(words.say("practice.end"), () -> ask(now, clock.instant()));
  }

  private Card over(Round now) {
    asked = null;
    Card.Maker card =
        new Card.Maker(
            words.say("practice.kicker"),
            now.answers().isEmpty()
                ? words.say("practice.over.none")
                : words.say("practice.over.title", now.right(), now.answers().size()));
    card.how(words.say("practice.over.how"));
    Instant at = clock.instant();
    now.answers().stream()
        .map(Answered::skill)
        .distinct()
        .forEach(skill -> {
          boolean right =
              now.answers().stream().filter(a -> a.skill() == skill).allMatch(Answered::right);
          card.row(
              right ? Standing.DONE : Standing.TO_DO,
              words.say(
                  right ? "practice.row.right" : "practice.row.wrong",
                  name(skill),
                  spacing.due(skill).map(due -> Again.say(words, at, due)).orElse("")));
        });
    leaves(card);
    return card.go(words.say("practice.leave.go"), leave);
  }

  @Override
  public void pick(String spot) {
    Round now = round;
    if (now != null
        && outcome == null
        && asked instanceof Question.Lying lying
        && spot.startsWith("pad:")
        && !now.isOver(clock.instant())) {
      char key = spot.charAt("pad:".length());
      answer(lying.wanted().isRight(key), String.valueOf(key));
    }
  }

  @Override
  public Mat mat() {
    Round now = round;
    Instant at = clock.instant();
    boolean asking = now != null && (outcome != null || !now.isOver(at));
    Outcome came = outcome;
    return new PracticeMat(
        asking ? Optional.ofNullable(asked) : Optional.empty(),
        came == null ? Optional.empty() : Optional.of(came.right()),
        Arrays.stream(Skill.values())
            .map(skill ->
                new PracticeMat.Held(
                    name(skill), spacing.recall(skill, at), spacing.isDue(skill, at)))
            .toList(),
        words);
  }
}
