package humble.core.build;

/**
 * One change of what a kit file says, as a maker made it at the bench.
 *
 * @param section key of the kit file, such as {@code places}
 * @param id which entry of the section; empty for the section as a whole
 * @param json the keys of the entry that are set, as JSON text, {@code null} for one that goes;
 *     empty where the entry itself goes
 */
public record KitChange(String section, String id, String json) {}
