package humble.core.settings;

import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.kit.Setting;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * What the board says of a setting: the clock, the display, the pin, the speed, the capacity, or
 * the module that was read at its row.
 *
 * @param value what the setting would have to be, as it is written
 * @param from where that stands, in words
 */
public record BoardSays(String value, String from) {
  /**
   * Gives what a kit says of a setting; empty where it says nothing.
   *
   * @param modules the rows at which modules were read, by ref
   */
  public static Optional<BoardSays> of(Kit kit, Setting setting, Map<String, String> modules) {
    Setting.FromBoard from = setting.board();
    if (from == null) {
      return Optional.empty();
    }
    return switch (from.what()) {
      case "module" ->
          Optional.ofNullable(modules.get(from.of()))
              .flatMap(row -> Optional.ofNullable(from.rows().get(row)))
              .map(value -> new BoardSays(value, "row of " + from.of()));
      case "pin" -> pin(kit, from);
      default ->
          number(kit, from)
              .map(value ->
                  new BoardSays(written(value / from.per()), from.what() + " of " + from.of()));
    };
  }

  private static Optional<BoardSays> pin(Kit kit, Setting.FromBoard from) {
    List<String> pins =
        kit.nets().getOrDefault(from.net(), List.of()).stream()
            .filter(pin -> pin.ref().equals(from.of()))
            .map(PinRef::pin)
            .toList();
    return pins.size() == 1
        ? Optional.of(new BoardSays(pins.getFirst(), from.net() + " at " + from.of()))
        : Optional.empty();
  }

  private static Optional<Double> number(Kit kit, Setting.FromBoard from) {
    Optional<Firmware.Target> target = kit.firmware().target(from.of());
    Optional<Peripheral> peripheral =
        kit.peripherals().stream().filter(each -> each.id().equals(from.of())).findFirst();
    return switch (from.what()) {
      case "clock" -> target.map(each -> each.facts().clockHz()).map(Long::doubleValue);
      case "baud" -> target.map(each -> (double) each.facts().baud());
      case "bytes" ->
          target.map(each ->
              each.memory().stream()
                  .filter(region -> from.net().isEmpty() || region.id().equals(from.net()))
                  .mapToDouble(region -> region.to() - region.from() + 1.0)
                  .sum());
      case "width" -> display(peripheral).map(each -> (double) each.widthPx());
      case "height" -> display(peripheral).map(each -> (double) each.heightPx());
      case "turn" ->
          display(peripheral)
              .map(each -> SettingsCheck.number(each.config().getOrDefault("rotate", "0")))
              .filter(OptionalDouble::isPresent)
              .map(OptionalDouble::getAsDouble);
      case "count" ->
          peripheral
              .filter(Peripheral.Chain.class::isInstance)
              .map(each -> (double) ((Peripheral.Chain) each).count())
              .or(() -> kit.line(from.of()).map(Line::refs).map(refs -> (double) refs.size()));
      case "hz" ->
          peripheral.flatMap(each ->
              switch (each) {
                case Peripheral.Tone tone -> Optional.of((double) tone.hz());
                case Peripheral.Clock clock -> Optional.of((double) clock.hz());
                case Peripheral.Radio radio -> Optional.of((double) radio.hz());
                default -> Optional.empty();
              });
      default -> Optional.empty();
    };
  }

  private static Optional<Peripheral.Display> display(Optional<Peripheral> peripheral) {
    return peripheral
        .filter(Peripheral.Display.class::isInstance)
        .map(Peripheral.Display.class::cast);
  }

  private static String written(double value) {
    return new BigDecimal(value).round(MathContext.DECIMAL64).stripTrailingZeros().toPlainString();
  }

  /** Tells whether a setting as it stands agrees. */
  public boolean agrees(List<String> on) {
    return on.size() == 1 && same(on.getFirst());
  }

  private boolean same(@Nullable String written) {
    String bare = SettingsCheck.bare(written == null ? "" : written);
    OptionalDouble is = SettingsCheck.number(bare);
    OptionalDouble wanted = SettingsCheck.number(value);
    return is.isPresent() && wanted.isPresent()
        ? Math.abs(is.getAsDouble() - wanted.getAsDouble())
            <= 1e-9 * Math.max(1, Math.abs(wanted.getAsDouble()))
        : bare.equals(value);
  }
}
