<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Technique;

enum ReasonKind: string
{
    /** left out by hand */
    case Dropped = 'dropped';

    /** worked today already, as much as it may be */
    case Done = 'done';
    case Stopped = 'stopped';
    /** what earlier visits say of it */
    case Course = 'course';
    /** beyond the training of whoever treats */
    case Training = 'training';
    case Position = 'position';
    case Technique = 'technique';
    case Tool = 'tool';
    /** what may be felt there is less than any technique needs */
    case Ceiling = 'ceiling';
    /** the minutes it may be worked are spent or too few */
    case Minutes = 'minutes';
    /** felt today, and nothing there */
    case Quiet = 'quiet';
    /** suspected by the ranking, felt by nobody */
    case Unfelt = 'unfelt';
    case Consent = 'consent';
    case Limit = 'limit';
    /** it is a question first */
    case CheckFirst = 'check_first';
    /** worth less than the others in the time there is */
    case Worth = 'worth';

    /** Of several reasons the lightest is told. */
    public function weight(): int
    {
        return match ($this) {
            self::Done => -1, self::Consent => 0, self::CheckFirst => 1, self::Limit => 2, self::Training => 3, self::Ceiling => 4,
            self::Tool => 5, self::Minutes => 6, self::Technique => 7, default => 9,
        };
    }

    /** The word of the case file for it. */
    public function reason(): string
    {
        return match ($this) {
            self::Dropped => 'dropped', self::Done => 'done_today', self::Stopped => 'stopped', self::Course => 'retired',
            self::Training => 'advanced_only', self::Position => 'unreachable', self::Technique => 'out_of_scope',
            self::Tool => 'no_tool', self::Ceiling => 'ceiling_too_low',
            self::Minutes => 'minutes_spent', self::Quiet => 'quiet', self::Unfelt => 'unfelt', self::Consent => 'not_agreed',
            self::Limit => 'forbidden', self::CheckFirst => 'check_first', self::Worth => 'less_worth',
        };
    }

    /** How what was left out comes in after all; null where nothing should bring it in. */
    public function bringIn(): ?string
    {
        return match ($this) {
            self::Consent => 'Agree to the area first.',
            self::CheckFirst => 'Do the check first.',
            self::Unfelt => 'Feel it: what is found is worked.',
            self::Worth, self::Course, self::Quiet => 'Bring it in by hand, and it is worked.',
            self::Dropped => 'Take it back in.',
            self::Minutes => 'Give the visit, or this place, more time.',
            self::Position => 'Allow another position.',
            self::Tool => 'With another tool, or with rested hands.',
            default => null,
        };
    }
}
