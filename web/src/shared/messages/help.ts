/**
 * The help, page by page. A text is paragraphs, one a line; steps are numbered, one a line.
 */
export interface HelpSection {
  title: string;
  text?: string;
  steps?: string;
}
export interface HelpPageText {
  title: string;
  lead: string;
  /** What its picture shows, for those who do not see it. */
  picture?: string;
  sections: Record<string, HelpSection>;
}

/** In the order in which they are listed. It is no part of the catalogue: only who opens the help loads it. */
export const helpPages = {
  first: {
    title: 'First steps',
    lead: 'From an empty workspace to a public page in five minutes. Nothing you do here touches a live site before you say so.',
    picture: 'The modelling desk: definitions on the left, the sheet of one in the middle, its form on the right.',
    sections: {
      begin: {
        title: 'Make a content type',
        steps:
          'Open Model and name one thing in the singular, such as “Footbridge”. Its key, plural, address and wording follow from it.\nType a field into the line below the table, such as “Span number 1 decimal m required”, and press Enter. Type another, such as “Material: timber, steel, stone”.\nLook at the proof on the right: Form is what an editor will fill in, Page is what a visitor will read.',
      },
      release: {
        title: 'Release it',
        steps:
          'Open Releases. What has changed since the last release is listed, with the version number that fits.\nWrite a line for those who come after you and publish the release. It never changes again.',
      },
      install: {
        title: 'Try it on a test site',
        steps:
          'Open Sites and add one, such as “Trial”.\nChoose the release: the plan says what will be done to the site, step by step.\nRun the plan. It can be undone.',
      },
      record: {
        title: 'Fill in a record',
        steps:
          'Follow “Records of …” after the run, and add a record.\nFill in the form and publish it.\nFollow “See its page”: this is what visitors read, without the fields that are empty.',
      },
      live: {
        title: 'Then the live site',
        text: 'When the test site shows what you want, open the live site and run the same release there. The answers you gave are kept with the release, so the live site asks only what is new there.',
      },
    },
  },
  model: {
    title: 'The model',
    lead: 'The model is everything you have defined: content types, taxonomies, shared groups, choice lists and site values. You work on a draft; sites get releases of it.',
    picture: 'A content type with its fields, and beside it the file that it becomes.',
    sections: {
      definitions: {
        title: 'Definitions',
        text: 'A content type is one kind of record, such as a bridge or a notice. A taxonomy classifies records, flat or as a tree. A shared group is a set of fields that several types use. A choice list is a list of options that several fields share. Site values exist once for a whole site, such as opening hours.',
      },
      sheet: {
        title: 'The sheet',
        text: 'The sheet of a definition begins with its fields. “Names and settings” unfolds its names, standard parts (title, summary, lead image …) and rare settings. Names, keys and wordings are derived from one noun; what you have typed yourself stays as you typed it.\nThe lines between the panes can be dragged, or moved with the arrow keys once they have the focus.',
      },
      proof: {
        title: 'The proof',
        text: 'The proof shows at once what a definition makes: the form, the page of a record and the index on a phone, a tablet or a computer, the answer of the API, the file of the definition, and the impact on each site. Values that you try in the form are stored nowhere.',
      },
      workbook: {
        title: 'A model from a spreadsheet',
        steps:
          'Drop the files on “From a spreadsheet” of an empty workspace, or under Import and export: CSV in any encoding, XLSX or ODS, several sheets and files at once.\nEach sheet becomes a content type, a taxonomy, a choice list, site values, a relation or rows of another sheet’s records, and each column a field or a part of a record. Beside it stand the reason, how many cells are filled, and samples.\nChoose otherwise where you know better: what does not fit a kind is said at once, with the values. Spellings of one word are counted together; those that might be a slip you confirm.\nTake it into the draft. That is one step, which Undo takes back.',
      },
      workbookAgain: {
        title: 'A spreadsheet for a model that is there',
        text: 'Sheets and columns are known by their names. Only what is new is proposed; what differs is said, and changed where you say so. What was seen is kept for 30 days with what you chose: open it again under Import and export, or delete it there. Kept are samples and frequent words of each column, and the rows of sheets with few columns; not the files.',
      },
      samples: {
        title: 'A sample to start from',
        steps:
          'On an empty workspace, or under Import and export, choose one of five samples: small models of unusual trades with layouts, a look, made-up records and pictures.\nIts definitions are compared with the draft. Take all, or leave some out.\nRelease the draft and install it on a site. Then, under Records, “From a workbook” offers the records of the sample: they are brought, and undone, like the rows of any spreadsheet.',
      },
      findings: {
        title: 'Findings',
        text: 'Findings say what would break later, where it is, and what to do; many have a fix that one click makes. A blocker keeps a release from being published, a warning does not.',
      },
      history: {
        title: 'Undo and history',
        text: 'Every edit is saved by itself and can be undone, also days later: History lists all edits, and you can step back to any of them. When two people work on one draft, their edits are joined; where both changed the same thing, you are asked.',
      },
      map: {
        title: 'The map',
        text: 'The map draws types, taxonomies and shared groups, and what leads from one to another. It can be saved as a picture.',
      },
    },
  },
  fields: {
    title: 'Fields',
    lead: 'A field is one typed value of a record. Its kind says what it holds; its settings say what is allowed.',
    picture: 'Columns of a workbook, and the fields that are proposed for them.',
    sections: {
      add: {
        title: 'Add fields',
        text: 'Type a line such as “Rise number 2 decimals m required”, “Rating 1 to 5”, “Material: timber, steel” or “Inspections repeater: day, faults”. Or paste rows from a spreadsheet: a plan with the headings Label, Type, Required, Help and Options is read as fields; anything else is read as data, which says what kinds its columns are.',
      },
      explained: {
        title: 'What a setting does',
        text: 'The setting that has the focus, or that the pointer rests on, is explained at the foot of the sheet. F1 opens its place in this help.',
      },
      many: {
        title: 'One or many',
        text: 'A field can hold several values. When you turn one into many later, the value that a record has becomes the first of them, and pages go on showing it.',
      },
      repeater: {
        title: 'Groups and repeaters',
        text: 'A group puts fields together under a heading. A repeater holds rows, each with the same fields, in an order; repeaters can stand within repeaters.',
      },
      conditions: {
        title: 'Show a field only sometimes',
        text: 'Under “Width, default, API, condition”, say when a field is shown, in words: “Gates is shown when Sort is Lock”. While it is hidden, its value is kept but not asked for.',
      },
      rename: {
        title: 'Rename, move, remove',
        text: 'A field keeps its identity for life. A new name or key, another group, another place: its values stay with it. What you remove is held on each site and can come back.',
      },
    },
  },
  relations: {
    title: 'Relations and taxonomies',
    lead: 'Records lead to one another by relations and are classified by the terms of taxonomies.',
    picture: 'The map of a model: what leads from one definition to another.',
    sections: {
      relation: {
        title: 'Relations',
        text: 'A relation leads to records of one or more types: to one of them or to many, in an order if you like. Name it at the other end, and the link can be seen and edited from there too: a bridge shows its inspections, an inspection its bridge.',
      },
      nesting: {
        title: 'Records under records',
        text: 'A type can say under which records its own stand, such as locks under a flight. The form then asks for a parent, and the parent lists what stands under it.',
      },
      taxonomy: {
        title: 'Taxonomies',
        text: 'A taxonomy is flat or hierarchical. Its terms can have fields, such as a colour. Starter terms come with the definition; editors may add terms where you allow it.',
      },
      shared: {
        title: 'Shared groups',
        text: 'A group of fields that several definitions use is changed once for all of them. Making a group shared leaves behind what only its type can have, such as a relation that is named at its other end.',
      },
    },
  },
  pages: {
    title: 'Pages',
    lead: 'What visitors read is laid out in the Pages area, beside the real page of a real record. It is part of the draft like everything else, and changes nothing in a database.',
    picture: 'A layout: what has pages on the left, its blocks in the middle, the real page on the right.',
    sections: {
      derived: {
        title: 'Something decent without any work',
        text: 'Every type and taxonomy has a page, a card for lists with pictures, and a line for lists without. As long as nobody has laid them out they follow the fields, and are shown as blocks. “Lay it out” makes them your own; “Back to derived” lets go of them.',
      },
      blocks: {
        title: 'Blocks',
        text: 'The line below the blocks finds whatever can be shown by the beginnings of its words: “kee ph” finds the phone of the keeper. It also adds texts, columns, sections, folds, page parts and listings.\nEnter on a block adds the next one below it, or within it where it holds others. Alt with the up and down arrows moves it, Alt with right puts it into the one before, Alt with left takes it out again, and Ctrl Delete removes it. Blocks can be dragged, too: onto the upper or lower edge of another to stand before or behind it, onto its middle to stand within it.\nA block whose values are all empty is left out with its label and the texts around it.',
      },
      texts: {
        title: 'Texts with values',
        text: 'A text can have values in braces, by their keys: “Built in {built} by {builder}”. “{summary else title}” takes the first that is filled, “{builder else "an unknown hand"}” has words for none. When all its values are empty, the text is left out.',
      },
      inTexts: {
        title: 'Values and listings in formatted texts',
        text: 'A rich text field whose allowed formats include values or listings has “Insert…” above the text: the value or listing that the editor chooses stands in the text under its name, and visitors read what it is at that time. It keeps to the field, not to its name, so renaming breaks no text. A line whose values are all empty is left out; what was removed from the model shows nothing to visitors, and “no longer there” in the form.\nPrograms get such texts with the words in place, and may send them back as they are.',
      },
      lists: {
        title: 'Rows, related records and listings',
        text: 'Rows of a repeater and related records are shown as names, lines, cards, a table, or by blocks of their own for each. A listing is made in the model: which records of a type or terms of a taxonomy, in what order, how many; it can be about the record being shown, such as others with the same term. A list within a list makes levels: all waters, the locks of each, the keeper of each lock.',
      },
      index: {
        title: 'The index and its filters',
        text: 'Under each type stands its index: cards, lines or a table, in an order of your own, in groups of a choice or taxonomy if you like. Each group shows its first records and a link to all of them. Visitors narrow the list by the fields and taxonomies that you name: the number beside each value says how many records they get by choosing it. What they chose is in the address, so it can be shared, and works without script.\nThe words above the list, those for an empty list and the words of the links to it are set there too.',
      },
      head: {
        title: 'Search and sharing',
        text: 'Under each type and taxonomy stands what search engines are told of its pages: a title and a description with values, of which the first that is filled is taken (“{meta_title else title}”), so a field of the record can override it. Beside the form of a record its preview shows the result of a search with the length of both, and where it is cut.\nPages can be left out, all of them or those where a field says so. Data for programs names a type of schema.org and its properties.\nEvery site has a sitemap.xml and a robots.txt, and each index a feed of what is new.',
      },
      which: {
        title: 'Another page for some records',
        text: 'A type can have several layouts. Each says which records it is for, by a field, a term or the address; of those that fit, the most particular one is taken. Beside the real page it says why the record gets its layout.',
      },
      try: {
        title: 'Try it',
        text: '“Emptiest”, “Fullest” and “Longest” show the records that make layouts break, at the width of a phone, a tablet or a computer, or on paper. The site can be any of the workspace; “Made-up records” shows types that no site has yet.',
      },
      parts: {
        title: 'Page parts',
        text: 'A part is blocks under a name, used in many layouts and changed in one place, such as whom to ask.',
      },
      looks: {
        title: 'The look of a site',
        text: 'A look is what stands around all pages: typefaces, six colours, sizes, corners, width, the form of the top, the navigation in an order and with words of your own, and a foot of blocks with values of the site. Begin with one of the three that come with Jontrel and change what you like; the page of your choice beside it follows. A finding says where text cannot be read well on its ground, and “Fix” takes the nearest shade that can.\nRules of your own are CSS. They load nothing from anywhere and lay nothing over pages, so nothing of @import, url() or fixed positions is taken.\nA site has the first look of its definitions. Its page under Sites chooses another one, also for a test site that should be told apart, sets the address that visitors know it by, and keeps it from search engines.',
      },
    },
  },
  exchange: {
    title: 'Import and export',
    lead: 'Definitions leave a draft as a package of small YAML files and come in from one, with the comments that people wrote.',
    picture: 'Import and export: what goes out is ticked, what comes in is compared.',
    sections: {
      out: {
        title: 'Export',
        text: 'Tick definitions; what they need is taken along. The package can be read, reviewed and kept under version control. The same files can be checked, compared and merged on the command line.',
      },
      in: {
        title: 'Import',
        text: 'Drop a package or files. Each definition is shown with what differs from the draft; you choose what to take. Nothing changes before that, and all of it is one step in the history.',
      },
    },
  },
  releases: {
    title: 'Releases',
    lead: 'A release is a numbered snapshot of the draft that never changes. Sites are brought from release to release.',
    picture: 'The list of releases, with what the draft would add.',
    sections: {
      number: {
        title: 'Which number',
        text: 'Jontrel compares the draft with the last release and advises a number. Wording and order raise the last part; additions and wider limits the middle one. The first part is raised by what can put a stored value out of use, asks more of records that exist, or must be followed by programs, such as another key or another unit.',
      },
      answers: {
        title: 'Answers stay with the release',
        text: 'What you answer when a plan asks is kept with the release as part of its package. The next site gets the same answer without being asked.',
      },
      code: {
        title: 'Code for other programs',
        text: '“Make code” at a release gives what a program needs that reads or writes a site with these definitions: JSON Schemas of what the content API gives and takes, its description as OpenAPI, a GraphQL schema, types and a client in TypeScript, Java or Python, or tables for a database of your own in MariaDB or PostgreSQL. Such a database can be brought on from one release to the next: choose the one that it was made for. Look at a file, copy it, or download all of them; “./jontrel generate” makes the same files on the command line. The same release always gives the same files. Names that mean something else in the language are changed, and that is told.',
      },
    },
  },
  sites: {
    title: 'Sites, plans and runs',
    lead: 'A site is a real database with records. Its plan says what a release would do to it; a run carries the plan out, and can be undone.',
    picture: 'A plan: steps with numbers from the site’s own records, and a question that needs an answer.',
    sections: {
      plan: {
        title: 'Read the plan',
        text: 'The plan counts real records: how many get a new field, how many values convert, which do not. What needs a decision is asked, with examples. A plan changes nothing. On a large site it is shown while counting goes on; it can run once all is counted.\nWhile you still work on the model, “Impact” beside it asks the same about the draft, first what concerns the definition in hand. What you answer there goes into the next release.\nTexts become numbers, dates and times as people write them: “2,75”, “1 234.50”, “2½”, “12 May 2026”, “5 pm”; also “2.59 m” or “8 ft 6 in” where the field has a unit that fits, and “€12.50” where it is in EUR. What could be read in two ways, such as “1,234” or “3/4/2026”, a number with zeros before it, and whatever would have to be rounded is asked about; dates and numbers of the first sort are read as you say, day or month first, for all of them at once. A date becomes the first minute of its day, a date and time its day; the time is held.\nThe questions stand in a table; the one you choose opens beside it. For values that cannot be taken over it shows each with how many records have it, spellings of the same value together: type what each becomes, or paste two columns from a spreadsheet into the search. The rest is asked again, or set aside and held: where there are no more than 500 values, the answer holds for these, and a site with others asks about those. Corrections are kept with the release like all answers.',
      },
      moves: {
        title: 'Values that change their place',
        text: 'A field that takes several keeps its one value as the first of them; where several become one, you say whether the first or the last stays, or join texts.\nTexts become terms, or relations to records: those that name one, by its label, its title or its address, find it, and “Make those that are missing” makes the others, one for each name. In a hierarchical taxonomy names can have levels: with “>” between them, “Wood > Oak” makes Oak under Wood, and finds what is there already. A record that is made so is published where a published record leads to it, and a draft otherwise; a name that several records have leads to none of them until you correct it. Where another field says what the names are, such as a number or a code, the plan finds it and asks whether to look there. Where a field takes several, texts can be split at commas, semicolons or lines.\nNumbered fields that go, such as “Photo 1” and “Photo 2”, are proposed for a new field with rows; a field that goes, for a new one or a taxonomy of the same name. A field can go over a relation: where “Phone” goes from people, and moorings get one, the plan proposes “keeper.phone”, and the other way round by the inverse, “keeps.length”; where several meet you say which stays. Groups become rows, rows become a group, and fields go into rows and out of them. Whatever does not go along is held.\nRows, a group or fields that go can become the records of a new content type: give the type fields of the same keys, and a relation between both, in either of them. The plan names where they could come from, such as “mooring.contacts”; where no field has their titles, add a template: “mooring.contacts titled {mooring}, {role}”. Where the relation is in what the rows were in, one record can be made for all rows that say the same, whatever the capital letters and spaces of their one-line texts: an operator that stands in forty moorings becomes one record that forty moorings lead to. The same works back: records of a type that goes become new rows of what they belong to. An undo takes over what was entered since.\nRecords of a type that goes can become those of another: the plan proposes the type that has fields of the same keys. Where some records of a type are to be those of a new one, give the type they are in an option, or a yes or no, that says so: “structure where kind = lock”; the plan proposes it where the option is called as the new type is. Fields with other keys are matched by hand: “mooring with depth = draught”; what has no match is held. Records keep their states, what stands under them and what leads to them, where the relation may lead to the new type. Old addresses lead to the new ones; where an address is taken, the record that comes gets a number behind it.\nA new field that is required can be filled with one value, or from others of the same record: “{title}, {county}”, and for a number “round({length_ft} * 0.3048, 2)”. Nothing is rounded that the formula does not say; records that get no value are counted.',
      },
      rehearsal: {
        title: 'Rehearse it',
        text: '“Before and after” shows some records as the plan would change them, with the answers given so far.\n“Rehearse on a copy” copies the site while everybody works on, and runs the plan on the copy. “Before and after” then shows what became of records there, how many there are of each type, and what took how long. Open the copy to look at its records and pages; nobody finds its address by chance, and search engines are kept out.\nThe site itself stays as it is. Where records have changed since in a way that the plan asks or tells something new, the report says so. The copy is removed when you say so, when you rehearse again, or after a day; the report stays.',
      },
      run: {
        title: 'Run it',
        text: 'Editors and visitors go on while a run works beside the tables in use; at its end the definitions are switched in less than a second. A run that was interrupted, as by a restart, goes on by itself.\nWhile it works, the run shows how many records it has done, how fast, and about how long the rest takes. “Pause” stops it at the next safe place until somebody continues it; “Give up and go back” brings every value back.',
      },
      undo: {
        title: 'Undo it',
        text: 'Every value comes back as it was. What editors entered since is carried over as far as the earlier definitions can hold it, and held where they cannot. An undo can be undone itself.',
      },
      held: {
        title: 'Held values',
        text: 'What a run takes out of use is held, not deleted. Under Held values you can look at it, export it, bring it back where its field exists again, or delete it for good. When a later release has the field again, its plan asks whether the values come back.',
      },
      drift: {
        title: 'When somebody changed the database',
        text: 'Jontrel looks every hour, and for tables and columns before each plan too, whether the tables of a site are what its release says. What is different is told at the tile of the site, and under “Site” with what to do: a backup is the best way to get values back; “Put back” makes a missing table, column or index again, gives a column the type it had, and removes rows and links that lead nowhere. “Take into the draft” makes a field of a column that somebody added; its values are held, and the plan of the release that has the field asks whether they come back. What a column holds is never dropped.',
      },
      send: {
        title: 'To another installation',
        text: '“Send” at a release brings it into the draft of a workspace of another installation, with a token that an architect there has made. First you see what would change there; where people there changed the same things, nothing is taken, and you see which. There it is one edit that can be undone, and it is released, planned and run under the rules of that installation.',
      },
      commands: {
        title: 'Commands and pipelines',
        text: 'Definitions can live as files in a repository. Under “Releases” an architect makes a token and says what it may do; with it the command line brings the draft into a folder (pull), a folder into the draft (push), releases, plans and runs. What people at the desk and in files changed is brought together; where both changed the same, nothing is written and the places are told.',
      },
      packages: {
        title: 'Packages of others',
        text: 'What several models have in common can be a package of its own. “./jontrel require” takes it into a folder of files, from a folder of released packages or from another workspace; there it is used, and added to, as if it were your own. A new version is merged in, and what you added stays. What the package says itself is not changed in place: “./jontrel check” tells where it was.',
      },
      archive: {
        title: 'Move a whole site, or keep a copy',
        text: '“Download archive” on the page of a site makes one file of all that it has, as it is at that moment; everybody goes on working. “Restore a site from an archive” under “Sites” makes the same site of it, in this or another installation: records, pages and addresses are equal, held values are there, and the last run can be undone. Give another name to have it beside the first. “./jontrel copy” does both by a command.',
      },
      alone: {
        title: 'A site without the editor',
        text: 'A site needs no editor to be read: “./jontrel site”, with a package of definitions and the site’s database, serves its pages, its content API, pictures and files. A new version of the package is taken at the next start or on a signal, with the answers in its migrations; one that cannot be taken leaves the site as it was, and /health says why.',
      },
      tokens: {
        title: 'Tokens for programs',
        text: 'On the page of a site an architect makes tokens: with one, a program reads drafts too, or writes. A token is shown once, and can end by itself on a day.',
      },
    },
  },
  records: {
    title: 'Records',
    lead: 'Editors fill in the forms that the installed definitions make.',
    picture: 'The form of a record, with its state, its dates and its history beside it.',
    sections: {
      states: {
        title: 'Draft, published, scheduled, retired',
        text: 'A draft may lack required values; a published record may not. “Publish at” makes a record appear by itself, “Retire at” takes it off the site at a moment. After a run a record can be incomplete: it stays as it is, and a filter finds it.',
      },
      form: {
        title: 'Fill in the form',
        text: 'Dates are typed in your own order or picked from a calendar; numbers take a point or a comma; a place is two numbers or a pasted geo: address. What you type is kept in the browser until it is saved. When somebody else saved meanwhile, you see both changes and can take them together.',
      },
      links: {
        title: 'Related records',
        text: 'Type a few letters to find records or terms. Relations can be edited from both ends; what you link beside the form is saved at once.',
      },
      lists: {
        title: 'Lists',
        text: 'Filter, search and sort a list, choose its columns and keep it under a name for everybody on the site. A double click or F2 changes a value in its row: Enter or a click elsewhere saves it, Escape leaves it as it was. Several records can be changed at once.',
      },
      back: {
        title: 'Get something back',
        text: 'Deleted records can be brought back. Every state that a record had is in its history, and can be taken again.',
      },
      files: {
        title: 'Pictures and files',
        text: 'Upload them at a field or choose them from the library of the site. The library says where each is used, and keeps its alternative text and the point that stays visible when the picture is cropped.',
      },
      rows: {
        title: 'Rows of a spreadsheet as records',
        steps:
          'Under Records, choose “From a workbook” and drop the files: CSV in any encoding, XLSX or ODS; with the pictures that its cells name, or a ZIP file of them. No record is changed yet.\nUnder Columns, look where each column goes: a field, also one within a group or a repeater, a term, a related record, the number, address or state of the record. The column by which a record is known decides whether a row is a new record or changes one.\nTry the rows. Under Problems, the same problem of many rows stands once: choose another text for all of them, or read it as empty. Under Rows, correct a single cell where it stands, and see what a row would change.\nTry again, then bring the rows. You can leave the page meanwhile. What failed can be saved as a workbook with the reasons, corrected, and sent again.',
      },
      rowsAgain: {
        title: 'Again next month, and back',
        text: 'Under Mapping, keep where the columns go under a name, and choose it when the next file comes; or save it as a file for another site or for ./jontrel import. An import can be undone for 30 days: what it made goes again, what it changed becomes what it was, and what somebody has changed since stays. How much that is, is told before.\nA list that was exported, changed in a spreadsheet program and sent back changes only what was changed.',
      },
    },
  },
  public: {
    title: 'Public pages and the API',
    lead: 'Published records are read by people on the public pages of a site, and by programs over its content API.',
    picture: 'The public page of a record.',
    sections: {
      pages: {
        title: 'Pages',
        text: 'Every type with public records has an index and a page for each record, derived from its definition. Empty fields are not shown. When an address changes, the old one leads to the new one.',
      },
      files: {
        title: 'A site as files',
        text: 'On the page of a site, “Save as static files” makes a ZIP file of all its public pages, pictures and feeds, which any web server shows without Jontrel. With the address where it will stand, pages name it and a sitemap is added. ./jontrel static does the same into a folder.',
      },
      api: {
        title: 'The content API',
        text: 'Programs read a site at /at/, its path and /api/; openapi.json there describes it. With a token they read drafts too, or write, through the same checks as the forms. Fields that are kept out of the API are not in it.',
      },
    },
  },
  accounts: {
    title: 'People and accounts',
    lead: 'Architects define, release and run, and look after accounts. Editors write records. Viewers read. The same holds for the interface and the API.',
    picture: 'The list of accounts with their roles.',
    sections: {
      people: {
        title: 'Add and remove people',
        text: 'Under Accounts an architect adds people, changes their role, ends their sessions, turns an account off or deletes it. The last architect stays.',
      },
      password: {
        title: 'Passwords',
        text: 'A password has at least 12 characters and is not one that everybody guesses. Whoever has forgotten theirs gets a link from an architect: it works once, and within a day. After several wrong tries signing in has to wait a while.',
      },
      trail: {
        title: 'The trail',
        text: 'The trail lists who signed in or was refused, and who changed accounts, tokens, releases and runs.',
      },
    },
  },
  keys: {
    title: 'Keyboard',
    lead: 'Everything can be done without a pointer. The question mark lists the keys of the view you are in.',
    sections: {
      everywhere: {
        title: 'Everywhere',
        text: 'Ctrl+K finds any definition, field, finding or command. Ctrl+Z and Ctrl+Shift+Z undo and redo in the draft while no text is being typed. Ctrl+S saves a record.',
      },
      table: {
        title: 'In a table of fields',
        text: 'Enter goes to the next row and adds one behind the last. Ctrl+Enter adds a row at once, or within a repeater. Alt with the arrows moves a row, also into and out of repeaters. Shift with the arrows selects several. Ctrl+D copies a row, Ctrl+Delete removes it.',
      },
      widths: {
        title: 'Columns and panes',
        text: 'With the focus on an edge, the arrow keys move it and Home brings its usual place back.',
      },
    },
  },
} satisfies Record<string, HelpPageText>;

export type HelpPageName = keyof typeof helpPages;
