package org.jontrel.server.record;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Map;

@Schema(
        requiredProperties = {
            "id",
            "slug",
            "address",
            "position",
            "state",
            "version",
            "complete",
            "createdAt",
            "updatedAt",
            "createdBy",
            "updatedBy",
            "title",
            "values",
            "shown"
        })
record RecordView(
        long id,
        String slug,

        @Schema(description = "Address of its public page; empty where it has none")
        String address,

        RecordViews.ParentView parent,

        @Schema(description = "Among those that stand under one record")
        int position,

        @Schema(description = "draft, published, scheduled or retired")
        String state,

        @Schema(description = "When a scheduled record appears")
        Instant publishAt,

        @Schema(description = "When a public record retires by itself")
        Instant retireAt,

        int version,
        boolean complete,
        Instant createdAt,
        Instant updatedAt,
        String createdBy,
        String updatedBy,
        String title,

        @Schema(description = "By field key; empty ones are left out")
        Map<String, Object> values,

        @Schema(description = "Values as a visitor reads them, by field key")
        Map<String, String> shown) {}
