package org.jontrel.core.page;

import org.jontrel.core.page.node.PageNode;

/**
 * A picture or file that a page leads to.
 *
 * @param bytes of the file
 * @param picture what it looks like; {@code null} for what is no picture
 */
public record PageFile(long id, String name, String format, long bytes, PageNode.PictureFacts picture) {}
