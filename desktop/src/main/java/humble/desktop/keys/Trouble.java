package humble.desktop.keys;

import org.jspecify.annotations.Nullable;

/**
 * Something that went wrong and is told on the card until the next thing is done.
 *
 * @param text what, and what to do now
 * @param again does once more what failed in the background; null where the same key does it again
 */
record Trouble(String text, @Nullable Runnable again) {}
