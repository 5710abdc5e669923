package org.jontrel.e2e.workbook;

import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;

/** Sheets as a client of the demo's world would send them. */
public final class SampleSheets {
    public static final String BOATS =
            "Boat;Builder;Draught (m);Bought;State;Route;Photo 1;Photo 2\nPatience;Hale & Sons;0.85;1.5.1998;sound;Main > Upper;patience.jpg;\n"
                    + "Kingfisher;Orrin Yard;1.1;12.9.2004;Sound;Main > Lower;king.jpg;king2.jpg\nMerry Ann;Hale & Sons;0.9;3.4.2011;leaks;Branch;ann.jpg;\n"
                    + "Teal;Orrin Yard;0.75;30.11.2019;soumd;Main > Upper;teal.jpg;\nHarrier;Hale & Sons;0.8;7.6.2001;sound;Branch;harrier.jpg;harrier2.jpg\n"
                    + "Osprey;Lock Yard;0.95;21.3.2015;leaks;Main > Lower;osprey.jpg;\nBittern;Lock Yard;1.0;9.8.2008;sound;Branch;bittern.jpg;\n"
                    + "Coot;Orrin Yard;0.7;2.2.1995;sound;Main > Upper;coot.jpg;\n";
    public static final String YARDS =
            "Yard;Latitude;Longitude;Phone\nHale & Sons;52.101;-1.302;+44 20 7946 0011\nOrrin Yard;52.214;-1.288;+44 20 7946 0012\n"
                    + "Lock Yard;52.087;-1.415;+44 20 7946 0013\n";
    public static final String MOORINGS =
            "Mooring,Length (m),Surface,For visitors,Charge per night,Remarks\nAlder Reach,120.5,grass,yes,4.50,Quiet at night\n"
                    + "Coldharbour Steps,64,gravel,no,n/a,\nDunmill Wharf,200,piling,yes,6,Water point at the east end\n"
                    + "Eel Pool,about 80,grass,yes,3,\nFenner's Hard,45,hard,no,n/a,\nGreat Bend,72,grass,yes,4,\n"
                    + "Hay Landing,38,gravel,yes,n/a,Steep bank\nIvy Bridge,56,stone,no,4,\n";
    public static final String NOTICES =
            "Title,Reference,Severity,Starts,Ends\nDunmill Lock: new gates,SN-901,Closed,2027-02-01,2027-02-14\n"
                    + "Dredging at Eel Pool,SN-902,Advice,3/4/2027,20/4/2027\n";

    private SampleSheets() {}

    public static FilePayload file(String name, String text) {
        return new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8));
    }
}
