package humble.formats.report;

import humble.core.build.BuildEvent;
import humble.core.words.Words;
import java.util.Optional;

/** What of a build is otherwise than its kit says, or was odd. */
final class Deviations {
  private static final String CASE = "case:";

  private Deviations() {}

  /** Gives the row of an act; empty where it is none of them. */
  static Optional<Logbook.Row> of(Words words, BuildEvent event) {
    return switch (event) {
      case BuildEvent.Acknowledged e when !e.reason().isEmpty() ->
          row(words.say("report.went-on"), e.at(), e.reason());
      case BuildEvent.SeenFitted e when !e.there() -> odd(words, String.join(", ", e.refs()), e);
      case BuildEvent.CameAlong e when e.otherHand() -> odd(words, e.from(), e);
      case BuildEvent.Wrong e -> row(words.say("report.wrong"), e.stage(), e.at());
      case BuildEvent.Noted e -> row(words.say("report.note"), e.stage(), e.text());
      case BuildEvent.Chose e -> row(words.say("report.chose"), e.option(), e.choice());
      case BuildEvent.MarksWeighed e when e.conflict() -> odd(words, e.line(), e);
      case BuildEvent.ModuleRead e when e.row().isEmpty() -> odd(words, e.ref(), e);
      case BuildEvent.JointSeen e when !e.seen().equals("good") -> odd(words, e.pin(), e);
      case BuildEvent.GateOverridden e -> odd(words, e.gate(), e);
      case BuildEvent.LeftOut e -> odd(words, e.ref(), e);
      case BuildEvent.Replaced e -> odd(words, e.ref(), e);
      case BuildEvent.LookedOver e when !e.fine() -> odd(words, e.spot(), e);
      case BuildEvent.Coiled e when !e.through() -> odd(words, e.winding(), e);
      case BuildEvent.Repaired e -> odd(words, e.state(), e);
      case BuildEvent.SeriesRead e when !e.goes() -> odd(words, e.state(), e);
      case BuildEvent.Checked e when !e.fine() -> odd(words, e.check(), e);
      case BuildEvent.ScrewTaken e -> odd(words, e.screw(), e);
      case BuildEvent.Answered e when e.question().startsWith(CASE) ->
          row(words.say("report.case"), e.question().substring(CASE.length()), e.said());
      case BuildEvent.Unread e -> odd(words, e.kind(), e);
      // Everything else is as the kit says.
      default -> Optional.empty();
    };
  }

  private static Optional<Logbook.Row> row(String what, String where, String said) {
    return Optional.of(Logbook.Row.of(what, LogbookWriter.name(where), LogbookWriter.name(said)));
  }

  private static Optional<Logbook.Row> odd(Words words, String where, BuildEvent event) {
    return Optional.of(
        Logbook.Row.of(
            words.say("report.odd"), LogbookWriter.name(where), EventWords.say(words, event)));
  }
}
