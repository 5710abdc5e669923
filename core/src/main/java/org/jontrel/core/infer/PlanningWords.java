package org.jontrel.core.infer;

import java.util.LinkedHashMap;
import java.util.Map;

/** Words that planning sheets use for kinds of fields, and the words that a quick line has for them. */
final class PlanningWords {
    private PlanningWords() {}

    static Map<String, String> otherWords() {
        var words = new LinkedHashMap<String, String>();
        words.put("single line text", "text");
        words.put("single-line text", "text");
        words.put("short text", "text");
        words.put("text line", "text");
        words.put("string", "text");
        words.put("multi-line text", "long text");
        words.put("multiline text", "long text");
        words.put("multiple lines", "long text");
        words.put("text area", "long text");
        words.put("textarea", "long text");
        words.put("paragraphs", "long text");
        words.put("paragraph", "long text");
        words.put("formatted text", "rich text");
        words.put("integer", "number");
        words.put("decimal number", "number 2 decimals");
        words.put("decimal", "number 2 decimals");
        words.put("currency", "number 2 decimals");
        words.put("money", "number 2 decimals");
        words.put("price", "number 2 decimals");
        words.put("boolean", "yes/no");
        words.put("true/false", "yes/no");
        words.put("on/off", "yes/no");
        words.put("checkboxes", "choice many");
        words.put("tick boxes", "choice many");
        words.put("multiple choice", "choice many");
        words.put("multi-select", "choice many");
        words.put("multiselect", "choice many");
        words.put("checkbox", "yes/no");
        words.put("tick box", "yes/no");
        words.put("tick", "yes/no");
        words.put("drop-down list", "choice");
        words.put("drop-down", "choice");
        words.put("dropdown", "choice");
        words.put("pick list", "choice");
        words.put("select", "choice");
        words.put("radio buttons", "choice");
        words.put("radio", "choice");
        words.put("list", "choice");
        words.put("options", "choice");
        words.put("photos", "image many");
        words.put("pictures", "image many");
        words.put("images", "image many");
        words.put("gallery", "image many");
        words.put("photo", "image");
        words.put("picture", "image");
        words.put("documents", "file many");
        words.put("files", "file many");
        words.put("attachment", "file");
        words.put("document", "file");
        words.put("upload", "file");
        words.put("link", "web address");
        words.put("website", "web address");
        words.put("url", "web address");
        words.put("telephone number", "phone");
        words.put("phone number", "phone");
        words.put("telephone", "phone");
        words.put("datetime", "date and time");
        words.put("date & time", "date and time");
        words.put("timestamp", "date and time");
        words.put("location", "coordinates");
        words.put("map", "coordinates");
        words.put("gps", "coordinates");
        words.put("color", "colour");
        words.put("reference", "relation");
        words.put("tags", "term many");
        words.put("tag", "term");
        words.put("category", "term");
        words.put("taxonomy", "term");
        words.put("rows", "repeater");
        words.put("table", "repeater");
        words.put("repeating group", "repeater");
        words.put("email address", "email");
        return words;
    }
}
