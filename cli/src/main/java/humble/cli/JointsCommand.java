package humble.cli;

import humble.core.craft.CloseCall;
import humble.core.craft.Hints;
import humble.core.craft.Hold;
import humble.core.craft.JointOrder;
import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Says in which order a part's joints are soldered, or which joints of a kit to look at first. */
@Command(
    name = "joints",
    description = "Say the order of a part's joints, or the joints to look at first.")
final class JointsCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(index = "0", paramLabel = "KIT")
  @Nullable Path kit;

  @Parameters(index = "1", paramLabel = "REF", arity = "0..1")
  String ref = "";

  @Override
  Answer answer() {
    Parts parts = parts(Objects.requireNonNull(kit));
    if (ref.isEmpty()) {
      return closeCalls(parts);
    }
    Part part =
        parts.part(ref).orElseThrow(() -> new BadInput("The kit has no part '" + ref + "'."));
    JointOrder order = JointOrder.of(parts, ref);
    List<String> pins = order.joints().stream().map(PinRef::pin).toList();
    List<String> hints = Hints.of(parts, ref).stream().map(WORDS::say).toList();
    List<String> text = new ArrayList<>();
    text.add(WORDS.say(Hold.of(part).how()));
    text.add("First " + String.join(", ", pins.subList(0, order.tacks())) + "; look.");
    text.add("Then " + String.join(", ", pins.subList(order.tacks(), pins.size())));
    text.addAll(hints);
    return new Answer(
        Answer.object(
            "ref",
            ref,
            "hold",
            Hold.of(part).name().toLowerCase(Locale.ROOT).replace('_', '-'),
            "joints",
            pins,
            "tacks",
            order.tacks(),
            "hops",
            order.hops(),
            "hints",
            hints),
        text,
        false);
  }

  private static Answer closeCalls(Parts parts) {
    List<Object> rows = new ArrayList<>();
    List<String> text = new ArrayList<>();
    for (Board board : parts.kit().boards()) {
      for (CloseCall call : CloseCall.on(parts, board.id())) {
        String hurt = call.hurt().name().toLowerCase(Locale.ROOT).replace('_', '-');
        rows.add(
            Answer.object(
                "board", board.id(),
                "a", call.a().toString(),
                "b", call.b().toString(),
                "nets", List.of(call.netA(), call.netB()),
                "gap_mm", Math.round(call.gapMm() * 1e6) / 1e6,
                "hurt", hurt));
        text.add(
            String.format(
                Locale.ROOT,
                "%-8s %-8s %.1f mm  %s - %s  (%s)",
                call.a(),
                call.b(),
                call.gapMm(),
                call.netA(),
                call.netB(),
                hurt));
      }
    }
    return new Answer(
        Answer.object("look_first", rows),
        text.isEmpty() ? List.of("No two pads are close.") : text,
        false);
  }
}
