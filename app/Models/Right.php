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

    /** As pages know it: no words that could be taken for a phrase. */
    public function id(): string
    {
        return str_replace(' ', '_', $this->value);
    }

    public function words(): string
    {
        return match ($this) {
            self::ReadClinical => __('read records'), self::WriteClinical => __('write them'), self::SignNotes => __('sign'),
            self::Countersign => __('countersign for students, if licensed'), self::Book => __('book and keep clients'),
            self::KeepPeople => __('invite people and set their roles'), self::KeepClinic => __('say what is done here'),
        };
    }
}
