<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;

/** The few mails there are, in plain text: a link, how long it holds, and nothing of any client. */
final readonly class Letters
{
    public function invite(User $person, string $by): void
    {
        $link = self::link(
            'password.reset', ['token' => Password::broker('invitations')->createToken($person), 'email' => $person->email, 'invited' => 1],
        );
        $this->send(
            $person, "{$person->clinic->name}: your account",
            "{$by} invites you to {$person->clinic->name}.\n\nChoose a password here, within a week:\n$link\n",
        );
    }

    public function reset(User $person): void
    {
        $link = self::link('password.reset', ['token' => Password::broker()->createToken($person), 'email' => $person->email]);
        $this->send(
            $person, 'A new password',
            "Somebody asked for a new password for this address. If it was you, choose one here within an hour:\n$link\n\nIf it was not, nothing has changed and nothing needs doing.\n",
        );
    }

    /**
     * An address to hand out: from APP_URL, never from what a request says its host is.
     *
     * @param  array<string, mixed>|string  $parameters
     */
    public static function link(string $route, array|string $parameters): string
    {
        return rtrim(Config::string('app.url'), '/').route($route, $parameters, false);
    }

    private function send(User $person, string $subject, string $text): void
    {
        Mail::raw($text, static function (Message $message) use ($person, $subject): void {
            $message->to($person->email)->subject($subject);
        });
    }
}
