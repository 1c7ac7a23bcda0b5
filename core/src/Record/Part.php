<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

/** The parts of a note, in the order in which they are read. */
enum Part: string
{
    case Reason = 'reason';
    case Safety = 'safety';
    case Found = 'found';
    case Reasoning = 'reasoning';
    case Agreed = 'agreed';
    case Done = 'done';
    case HomeCare = 'home_care';
    case Next = 'next';

    public function heading(): string
    {
        return match ($this) {
            self::Reason => 'Reason', self::Safety => 'Safety', self::Found => 'Findings', self::Reasoning => 'Reasoning',
            self::Agreed => 'Agreed', self::Done => 'Treatment', self::HomeCare => 'Home care', self::Next => 'Next time',
        };
    }
}
