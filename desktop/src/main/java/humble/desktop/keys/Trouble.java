package humble.desktop.keys;

import humble.store.NotWritten;
import org.jspecify.annotations.Nullable;

/**
 * Something that went wrong and is told on the card until the next thing is done.
 *
 * @param text what, and what to do now
 * @param again does once more what failed in the background; null where the same key does it again
 * @param why why an act could not be written; null when it is something else
 */
record Trouble(String text, @Nullable Runnable again, NotWritten.@Nullable Why why) {}
