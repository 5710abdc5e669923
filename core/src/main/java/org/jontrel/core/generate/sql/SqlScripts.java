package org.jontrel.core.generate.sql;

import java.util.List;
import java.util.SequencedMap;

/**
 * @param files scripts by their names
 * @param notes what is called otherwise than in the model, and what is held, in sentences
 */
public record SqlScripts(SequencedMap<String, String> files, List<String> notes) {}
