/** What a page is made of, whatever it is written in: a tree of headings, facts, tables, lists and pictures. */
package org.jontrel.core.page.node;
