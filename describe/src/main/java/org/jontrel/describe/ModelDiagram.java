package org.jontrel.describe;

import java.io.StringWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.eclipse.elk.core.RecursiveGraphLayoutEngine;
import org.eclipse.elk.core.options.CoreOptions;
import org.eclipse.elk.core.options.Direction;
import org.eclipse.elk.core.options.EdgeRouting;
import org.eclipse.elk.core.util.BasicProgressMonitor;
import org.eclipse.elk.graph.ElkEdge;
import org.eclipse.elk.graph.ElkEdgeSection;
import org.eclipse.elk.graph.ElkNode;
import org.eclipse.elk.graph.util.ElkGraphUtil;
import org.jontrel.core.model.ContentType;
import org.jontrel.core.model.Definition;
import org.jontrel.core.model.Field;
import org.jontrel.core.model.Kind;
import org.jontrel.core.model.Model;
import org.jontrel.core.model.Section;

/**
 * Types, taxonomies and shared groups as boxes, and what leads from one to another as lines, laid out in layers
 * (Sugiyama's method, by the Eclipse Layout Kernel). The same model gives the same picture.
 */
final class ModelDiagram {
    private static final double CHARACTER = 7.6;
    private static final double HEIGHT = 44;
    private static final Map<Definition.Sort, String> FILLS = Map.of(
            Definition.Sort.TYPE, "#dcebef",
            Definition.Sort.TAXONOMY, "#e9e4f4",
            Definition.Sort.GROUP, "#f5ecd9");

    private final Model model;
    private final ElkNode graph = ElkGraphUtil.createGraph();
    private final Map<String, ElkNode> nodes = new LinkedHashMap<>();
    private final Map<ElkEdge, String> labels = new HashMap<>();
    private final List<ElkEdge> edges = new ArrayList<>();

    private ModelDiagram(Model model) {
        this.model = model;
    }

    static String of(Model model) {
        var picture = new ModelDiagram(model);
        picture.build();
        picture.layout();
        return picture.svg();
    }

    private void build() {
        for (var definition : model.definitions()) {
            if (FILLS.containsKey(definition.sort())) {
                var node = ElkGraphUtil.createNode(graph);
                int widest = Math.max(
                        definition.name().length(), definition.sort().noun().length());
                node.setDimensions(Math.max(110, widest * CHARACTER + 28), HEIGHT);
                nodes.put(definition.id(), node);
            }
        }
        for (var type : model.types()) {
            type.fields().flatMap(Field::withInner).forEach(field -> relation(type, field));
            type.taxonomies().forEach(use -> edge(type.id(), use.taxonomy(), ""));
            Section.uses(type.sections()).forEach(use -> edge(type.id(), use.group(), ""));
            type.nesting().under().forEach(above -> edge(type.id(), above, "stands under"));
        }
    }

    private void relation(ContentType type, Field field) {
        switch (field.kind()) {
            case Kind.Relation relation -> relation.to().forEach(target -> edge(type.id(), target, field.label()));
            case Kind.TermPick pick -> edge(type.id(), pick.taxonomy(), field.label());
            case Kind.Plain _, Kind.Image _, Kind.File _, Kind.Nested _, Kind.Note _ -> {}
        }
    }

    private void edge(String from, String to, String label) {
        if (!nodes.containsKey(from) || !nodes.containsKey(to)) {
            return;
        }
        var edge = ElkGraphUtil.createSimpleEdge(nodes.get(from), nodes.get(to));
        edges.add(edge);
        labels.put(edge, label);
        if (!label.isEmpty()) {
            ElkGraphUtil.createLabel(label, edge).setDimensions(label.length() * 6.2 + 6, 14);
        }
    }

    private void layout() {
        graph.setProperty(CoreOptions.ALGORITHM, "org.eclipse.elk.layered");
        graph.setProperty(CoreOptions.DIRECTION, Direction.RIGHT);
        graph.setProperty(CoreOptions.EDGE_ROUTING, EdgeRouting.ORTHOGONAL);
        graph.setProperty(CoreOptions.SPACING_NODE_NODE, 28.0);
        graph.setProperty(CoreOptions.RANDOM_SEED, 1);
        new RecursiveGraphLayoutEngine().layout(graph, new BasicProgressMonitor());
    }

    private String svg() {
        var out = new StringWriter();
        try {
            var svg = XMLOutputFactory.newFactory().createXMLStreamWriter(out);
            double width = Math.max(graph.getWidth(), 1);
            double height = Math.max(graph.getHeight(), 1);
            svg.writeStartElement("svg");
            svg.writeAttribute("xmlns", "http://www.w3.org/2000/svg");
            svg.writeAttribute("viewBox", "0 0 " + number(width) + " " + number(height));
            svg.writeAttribute("width", number(width));
            svg.writeAttribute("height", number(height));
            svg.writeAttribute("role", "img");
            svg.writeAttribute("font-family", "system-ui, sans-serif");
            svg.writeStartElement("title");
            svg.writeCharacters("How the definitions hang together");
            svg.writeEndElement();
            for (var edge : edges) {
                line(svg, edge);
            }
            for (var entry : nodes.entrySet()) {
                box(svg, model.definition(entry.getKey()).orElseThrow(), entry.getValue());
            }
            svg.writeEndElement();
            svg.flush();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    private static void box(XMLStreamWriter svg, Definition definition, ElkNode node) throws XMLStreamException {
        svg.writeEmptyElement("rect");
        svg.writeAttribute("x", number(node.getX()));
        svg.writeAttribute("y", number(node.getY()));
        svg.writeAttribute("width", number(node.getWidth()));
        svg.writeAttribute("height", number(node.getHeight()));
        svg.writeAttribute("rx", "6");
        svg.writeAttribute("fill", FILLS.get(definition.sort()));
        svg.writeAttribute("stroke", "#1d5a6b");
        text(svg, node.getX() + 12, node.getY() + 19, "14", "600", "#1c2a30", definition.name());
        text(
                svg,
                node.getX() + 12,
                node.getY() + 35,
                "11",
                "400",
                "#4a5b62",
                definition.sort().noun());
    }

    private void line(XMLStreamWriter svg, ElkEdge edge) throws XMLStreamException {
        for (ElkEdgeSection section : edge.getSections()) {
            var way = new StringBuilder("M" + number(section.getStartX()) + " " + number(section.getStartY()));
            section.getBendPoints()
                    .forEach(bend -> way.append(" L")
                            .append(number(bend.getX()))
                            .append(' ')
                            .append(number(bend.getY())));
            way.append(" L").append(number(section.getEndX())).append(' ').append(number(section.getEndY()));
            svg.writeEmptyElement("path");
            svg.writeAttribute("d", way.toString());
            svg.writeAttribute("fill", "none");
            svg.writeAttribute("stroke", "#7a8b92");
            svg.writeEmptyElement("circle");
            svg.writeAttribute("cx", number(section.getEndX()));
            svg.writeAttribute("cy", number(section.getEndY()));
            svg.writeAttribute("r", "3.5");
            svg.writeAttribute("fill", "#1d5a6b");
        }
        for (var label : edge.getLabels()) {
            text(svg, label.getX() + 3, label.getY() + 11, "11", "400", "#4a5b62", labels.get(edge));
        }
    }

    private static void text(
            XMLStreamWriter svg, double x, double y, String size, String weight, String fill, String words)
            throws XMLStreamException {
        svg.writeStartElement("text");
        svg.writeAttribute("x", number(x));
        svg.writeAttribute("y", number(y));
        svg.writeAttribute("font-size", size);
        svg.writeAttribute("font-weight", weight);
        svg.writeAttribute("fill", fill);
        svg.writeCharacters(words.replace('\n', ' '));
        svg.writeEndElement();
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
