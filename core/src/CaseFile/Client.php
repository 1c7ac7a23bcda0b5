<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

final readonly class Client
{
    public function __construct(
        public int $age,
        public ?string $sex = null,
        public ?string $hand = null,
        public ?float $massKg = null,
        public ?string $skin = null,
        public bool $stoic = false,
        public ?bool $guardianConsent = null,
        public ?int $weeksSinceBirth = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->int('age'), $f->stringOrNull('sex'), $f->stringOrNull('hand'), $f->floatOrNull('mass_kg'), $f->stringOrNull('skin'),
            $f->bool('stoic'), $f->boolOrNull('guardian_consent'), $f->intOrNull('weeks_since_birth'),
        );
    }
}
