package humble.core.kit;

import humble.core.units.Band;
import java.util.List;
import java.util.Map;

/**
 * A fault that a kit knows of and a direct-current circuit cannot say: a wrong cable, a setting, an
 * antenna.
 *
 * @param id name within the kit
 * @param title what is wrong, for people
 * @param prior how likely it is before anything was measured, 0 to 1
 * @param seen what it makes people see, such as {@code dark:LED1}
 * @param predict what it makes measurements read, by measurement, in base units
 * @param tryThis what to try, or empty
 * @param minutes minutes that the trying takes
 */
public record KitFault(
    String id,
    String title,
    double prior,
    List<String> seen,
    Map<String, Band> predict,
    String tryThis,
    double minutes) {
  public KitFault {
    seen = List.copyOf(seen);
    predict = Map.copyOf(predict);
  }
}
