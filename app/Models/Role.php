<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Owner = 'owner';
    case Therapist = 'therapist';
    case Student = 'student';
    case Reception = 'reception';

    /** @return list<Right> */
    public function rights(): array
    {
        return match ($this) {
            self::Owner => Right::cases(),
            self::Therapist => [Right::ReadClinical, Right::WriteClinical, Right::SignNotes, Right::Countersign, Right::Book],
            // a student signs too, and the note waits for a supervisor's name beside it
            self::Student => [Right::ReadClinical, Right::WriteClinical, Right::SignNotes, Right::Book],
            // reception books and prints; it must not read clinical notes
            self::Reception => [Right::Book],
        };
    }

    public function may(Right $right): bool
    {
        return in_array($right, $this->rights(), true);
    }

    public function words(): string
    {
        return match ($this) {
            self::Owner => __('owner'), self::Therapist => __('therapist'), self::Student => __('student under supervision'),
            self::Reception => __('reception'),
        };
    }

    /** What they sign needs a second name beside it. */
    public function isSupervised(): bool
    {
        return $this === self::Student;
    }
}
