package humble.core.kit;

/**
 * What a program is made with and that others may change: its state is kept when it works.
 *
 * @param id name within the kit
 * @param title what it is called
 * @param say where it lies and what of it was edited, in the author's words
 */
public record Library(String id, String title, String say) {}
