<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

/** Who may write an entry of a kind. */
enum EntryWriter: string
{
    /** whoever records a visit */
    case Recorder = 'recorder';
    /** the same, and kept with who asked and when: nobody writes that by hand */
    case Witness = 'witness';
    case Licensed = 'licensed';
    /** only what comes in from elsewhere */
    case Exchange = 'exchange';
    /** of older records: read, never written */
    case Never = 'never';
}
