package org.jontrel.core.retype;

import org.jontrel.core.recordtype.RecordType;

/**
 * Records that could become those of another type.
 *
 * @param answer what takes it: {@code mooring}, or {@code structure where kind = gate} for a part of them
 * @param was the content type that they are of
 * @param is the content type that they could be of
 */
public record TypeProposal(String answer, RecordType was, RecordType is, TypeMove way) {}
