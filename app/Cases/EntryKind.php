<?php

declare(strict_types=1);

namespace App\Cases;

/** What a visit records, one row an entry; most kinds are parts of the open case format by the same name. */
enum EntryKind: string
{
    case Complaint = 'complaint';
    case TaskScore = 'function';
    case Range = 'range';
    case Resisted = 'resisted';
    case Posture = 'posture';
    case Test = 'test';
    case Palpation = 'palpation';
    case Feedback = 'feedback';
    case Demand = 'demand';
    case RedFlag = 'red_flag';
    case RedFlagSince = 'red_flag_since';
    case Condition = 'condition';
    case Medicine = 'medicine';
    case LegSigns = 'leg_signs';
    case ClotItem = 'clot_item';
    case GroupAsked = 'group_asked';
    case OthersDenied = 'others_denied'; // of records older than the groups: read, never written
    case Consent = 'consent';
    case Guardian = 'guardian';
    case Target = 'target';
    case Dropped = 'dropped';
    case School = 'school';
    case Positions = 'positions';
    case Aftermath = 'aftermath';
    case Override = 'override';
    case Text = 'text';
    case Done = 'done'; // only from elsewhere: what was done here is told by the events at the table

    /** @return list<string> */
    public static function values(): array
    {
        return array_map(static fn (self $kind): string => $kind->value, self::cases());
    }

    /** The part of the case schema that a payload must fit; null where the payload is checked here. */
    public function schemaPart(): ?string
    {
        return match ($this) {
            self::Complaint => '/$defs/complaint',
            self::TaskScore => '/$defs/function',
            self::Range => '/$defs/range',
            self::Resisted => '/$defs/resisted',
            self::Posture => '/$defs/posture',
            self::Test => '/$defs/test',
            self::Palpation => '/$defs/palpation',
            self::Feedback => '/$defs/feedback',
            self::Aftermath => '/$defs/aftermath',
            self::Demand => '/properties/demands/items',
            self::Condition => '/properties/health/properties/conditions/items',
            self::Medicine => '/properties/health/properties/medicines/items',
            self::Consent => '/properties/consent/items',
            self::Guardian => '/properties/client/properties/guardian',
            self::Target, self::Dropped => '/properties/session/properties/targets/items',
            self::Override => '/properties/overrides/items',
            self::Done => '/$defs/done',
            self::RedFlag, self::LegSigns, self::ClotItem => '/$defs/answer',
            self::RedFlagSince => '/$defs/date',
            self::GroupAsked, self::OthersDenied, self::School, self::Positions, self::Text => null,
        };
    }

    /** @return list<string> keys whose values name the entry; two entries of one name are one */
    public function identityKeys(): array
    {
        return match ($this) {
            self::Complaint => ['zone', 'side'],
            self::TaskScore => ['task'],
            self::Range, self::Resisted => ['movement', 'side'],
            self::Posture => ['sign', 'side'],
            self::Test => ['test', 'side', 'segment'],
            self::Palpation => ['muscle', 'side', 'site'],
            self::Demand => ['demand'],
            self::Condition => ['condition'],
            self::Medicine => ['medicine'],
            self::Consent => ['area'],
            self::Target, self::Dropped, self::Done => ['muscle', 'side'],
            self::Aftermath => ['hours'],
            self::Override => ['verdict'],
            self::Feedback, self::RedFlag, self::RedFlagSince, self::LegSigns, self::ClotItem, self::GroupAsked, self::OthersDenied, self::School, self::Positions,
            self::Guardian, self::Text => [],
        };
    }

    /** Agreement is kept with who asked and when; nobody writes that by hand. */
    public function isWitnessed(): bool
    {
        return $this === self::Consent || $this === self::Guardian;
    }

    /** What was said, without who wrote it down and when. */
    public function bare(mixed $payload): mixed
    {
        return $this->isWitnessed() && is_array($payload) ? array_diff_key($payload, ['asked_by' => true, 'asked_at' => true]) : $payload;
    }

    public function isFinding(): bool
    {
        return in_array($this, [self::Complaint, self::TaskScore, self::Range, self::Resisted, self::Posture, self::Test, self::Palpation, self::Feedback], true);
    }

    /** The key of the list in the case's findings. */
    public function findingsKey(): string
    {
        return match ($this) {
            self::Complaint => 'complaints',
            self::Test => 'tests',
            default => $this->value,
        };
    }

    /** What an entry of this kind is found by within a visit. */
    public function key(string $phase, string $identity): string
    {
        return "$phase|{$this->value}|$identity";
    }
}
