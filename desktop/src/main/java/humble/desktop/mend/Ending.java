package humble.desktop.mend;

import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.words.Words;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.FaultWords;
import java.util.Optional;

/**
 * How a search ends: what it was goes into the log and, unless it was practice, into what is likely
 * next time.
 */
record Ending(OpenBuild open, Words words) {
  /** Gives the fault that is hidden on the practice bench while that is on. */
  Optional<BuildEvent.FaultHidden> hidden() {
    return open.practiceOn() ? open.build().hidden() : Optional.empty();
  }

  /** Ends the search with {@code fault} and gives what is said then. */
  String itWas(Search now, String fault) {
    int measured = now.observations().size();
    BuildEvent.FaultHidden hidden = hidden().orElse(null);
    open.act(
        new BuildEvent.Mended(
            now.state().id(),
            hidden == null ? fault : hidden.fault(),
            measured,
            hidden != null || practised(now.state())));
    if (hidden == null) {
      return words.say("mend.over.it-was", said(fault), measured);
    }
    String verdict = right(now, fault, hidden.fault()) ? "mend.over.right" : "mend.over.wrong";
    boolean sameState = now.state().id().equals(hidden.state());
    return words.say(verdict, said(hidden.fault()), measured)
        + (sameState ? ' ' + words.say("mend.over.advice", hidden.least()) : "");
  }

  /** Shows what is hidden and gives what is said then; the practice bench is sound again. */
  String giveUp(BuildEvent.FaultHidden hidden) {
    int measured = open.build().observed(hidden.state()).size();
    open.act(new BuildEvent.Mended(hidden.state(), hidden.fault(), measured, true));
    return words.say("mend.over.wrong", said(hidden.fault()), measured);
  }

  private String said(String fault) {
    return FaultWords.say(words, open.built(), fault);
  }

  /** What nothing tells from the hidden one counts as found. */
  private static boolean right(Search now, String fault, String hidden) {
    return fault.equals(hidden)
        || now.lastKnown().stream()
            .flatMap(known -> known.suspects().stream())
            .filter(named -> named.group().contains(fault))
            .anyMatch(named -> named.group().contains(hidden));
  }

  /** What the practice bench measured teaches nothing about the bench's own habits. */
  private boolean practised(BoardState state) {
    boolean practised = false;
    for (BuildEvent.Entry entry : open.build().inForce()) {
      if (entry.event() instanceof BuildEvent.Mended mended && mended.state().equals(state.id())) {
        practised = false;
      } else if (entry.event() instanceof BuildEvent.Observed observed
          && observed.state().equals(state.id())) {
        practised |= observed.practice();
      }
    }
    return practised;
  }
}
