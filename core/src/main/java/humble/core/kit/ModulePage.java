package humble.core.kit;

import java.util.List;

/**
 * A page that a module shows by itself, in which something is typed.
 *
 * @param id name within the kit
 * @param title what it is called
 * @param open how to get there, in the author's words
 * @param fields what is typed where, in the order of the page
 * @param restart how it is kept and the module started anew
 * @param expect what is seen then
 */
public record ModulePage(
    String id, String title, String open, List<Field> fields, String restart, String expect) {
  public ModulePage {
    fields = List.copyOf(fields);
  }

  /**
   * One field.
   *
   * @param id name within the page
   * @param label what stands beside it on the page
   * @param say what belongs there
   * @param value what the kit wants there; empty where it is the maker's to say
   * @param isPrivate whether it is nobody else's business
   * @param required whether it may not be left
   */
  public record Field(
      String id, String label, String say, String value, boolean isPrivate, boolean required) {}
}
