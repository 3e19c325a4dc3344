/**
 * Program images: read, checked for damage, and written.
 *
 * <p>{@link humble.formats.image.ImageFile} is the one door: it asks every format of its list
 * whether a file begins like one of its own, and the first that says yes reads it. A format is one
 * class with one constant in that list.
 *
 * <ul>
 *   <li>Intel HEX, record types 00 to 05: checksums, extended segment and linear addresses, entry.
 *       Within a segment addresses wrap at 64 KiB; nothing lies beyond FFFFFFFF. All that is wrong
 *       with a file is told at once, each with its line.
 * </ul>
 *
 * <p>Limits: 64 MiB a file, refused by its size before it is read; 1,000 findings a file; every run
 * of bytes comes out of the budget.
 */
@NullMarked
package humble.formats.image;

import org.jspecify.annotations.NullMarked;
