package org.jontrel.core.generate;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jontrel.core.code.ModelPackage;
import org.jontrel.core.generate.api.ContentApi;
import org.jontrel.core.generate.graphql.GraphQlCode;
import org.jontrel.core.generate.java.JavaCode;
import org.jontrel.core.generate.openapi.OpenApiCode;
import org.jontrel.core.generate.python.PythonCode;
import org.jontrel.core.generate.schema.JsonSchemaCode;
import org.jontrel.core.generate.sql.SqlCode;
import org.jontrel.core.generate.typescript.TypeScriptCode;

/** What code can be made for. */
public enum CodeTarget {
    JSON_SCHEMA("JSON Schema: what the content API gives and takes") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            return new GeneratedCode(new JsonSchemaCode(ContentApi.of(content)).files(), List.of());
        }
    },
    OPENAPI("OpenAPI 3.1: the content API, for what makes clients and documents") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            return new GeneratedCode(OpenApiCode.files(content), List.of());
        }
    },
    GRAPHQL("GraphQL: a schema with relations, filters, pages and changes") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            var code = new GraphQlCode(ContentApi.of(content));
            return new GeneratedCode(code.files(), code.notes());
        }
    },
    TYPESCRIPT("TypeScript: types, runtime checks and a client") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            var code = new TypeScriptCode(ContentApi.of(content));
            return new GeneratedCode(code.files(), code.notes());
        }
    },
    JAVA("Java 21: records, enumerations and a client") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            var code = new JavaCode(ContentApi.of(content));
            return new GeneratedCode(code.files(), code.notes());
        }
    },
    PYTHON("Python: dataclasses and a client") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            var code = new PythonCode(ContentApi.of(content));
            return new GeneratedCode(code.files(), code.notes());
        }
    },
    SQL_MARIADB("MariaDB: tables, rules and views") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            return scripts(SqlCode.mariaDb().of(content));
        }

        @Override
        public Optional<GeneratedCode> since(ModelPackage before, ModelPackage content) {
            return Optional.of(scripts(SqlCode.mariaDb().of(content, before)));
        }
    },
    SQL_POSTGRESQL("PostgreSQL: tables, rules and views") {
        @Override
        public GeneratedCode of(ModelPackage content) {
            return scripts(SqlCode.postgreSql().of(content));
        }

        @Override
        public Optional<GeneratedCode> since(ModelPackage before, ModelPackage content) {
            return Optional.of(scripts(SqlCode.postgreSql().of(content, before)));
        }
    };

    static GeneratedCode scripts(SqlCode.Scripts scripts) {
        return new GeneratedCode(scripts.files(), scripts.notes());
    }

    private final String about;

    CodeTarget(String about) {
        this.about = about;
    }

    /** The same for the same content, to the byte. */
    public abstract GeneratedCode of(ModelPackage content);

    /** With what brings something made of an earlier release on to this one; empty where nothing has to be brought on. */
    public Optional<GeneratedCode> since(ModelPackage before, ModelPackage content) {
        return Optional.empty();
    }

    /** Whether what was made of an earlier release can be brought on to this one. */
    public final boolean migrates() {
        return this == SQL_MARIADB || this == SQL_POSTGRESQL;
    }

    /** The word for it in commands and addresses, such as {@code json-schema}. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** What is made, in a few words. */
    public String about() {
        return about;
    }

    public static Optional<CodeTarget> of(String code) {
        return Stream.of(values()).filter(each -> each.code().equals(code)).findFirst();
    }
}
