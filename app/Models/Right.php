<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody may do; a role is a bundle of these. */
enum Right: string
{
    case ReadClinical = 'read clinical';
    case WriteClinical = 'write clinical';
    case SignNotes = 'sign notes';
    case Countersign = 'countersign notes';
    case Book = 'book';
    case KeepPeople = 'keep people';
    case KeepClinic = 'keep clinic';

    public function words(): string
    {
        return match ($this) {
            self::ReadClinical => 'read records', self::WriteClinical => 'write them', self::SignNotes => 'sign',
            self::Countersign => 'countersign for students, if licensed', self::Book => 'book and keep clients',
            self::KeepPeople => 'invite people and set their roles', self::KeepClinic => 'say what is done here',
        };
    }
}
