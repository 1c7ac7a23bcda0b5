<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\SharedSession;
use Illuminate\Session\ArraySessionHandler;
use Illuminate\Support\Facades\Session;
use Tests\TestCase;

/** Requests of one browser that overlap: what one of them wrote is not undone by another that began before it and ends after it. */
final class SharedSessionTest extends TestCase
{
    private ArraySessionHandler $kept;

    protected function setUp(): void
    {
        parent::setUp();
        $this->kept = new ArraySessionHandler(60);
        $first = $this->opened();
        $first->replace(['name' => 'Ada', 'waiting' => 'a secret', 'find' => 'kit']);
        $first->save();
    }

    public function test_the_application_uses_it(): void
    {
        self::assertInstanceOf(SharedSession::class, Session::driver());
    }

    public function test_each_writes_what_it_changed_whichever_ends_last(): void
    {
        foreach ([[0, 1], [1, 0]] as [$firstToEnd, $lastToEnd]) {
            $requests = [$this->opened(), $this->opened()];
            $requests[0]->put('back', '/visits/1/work');
            $requests[0]->forget('waiting');
            $requests[1]->put('find', 'wren');
            $requests[$firstToEnd]->save();
            $requests[$lastToEnd]->save();

            $after = $this->opened();
            self::assertSame(
                ['Ada', '/visits/1/work', null, 'wren'],
                [$after->get('name'), $after->get('back'), $after->get('waiting'), $after->get('find')],
            );
            $after->put('find', 'kit');
            $after->put('waiting', 'a secret');
            $after->forget('back');
            $after->save();
        }
    }

    public function test_of_one_thing_both_changed_the_last_word_stands(): void
    {
        [$one, $other] = [$this->opened(), $this->opened()];
        $one->put('find', 'wren');
        $other->put('find', 'lark');
        $other->save();
        $one->save();

        self::assertSame('wren', $this->opened()->get('find'));
    }

    public function test_a_request_that_was_on_its_way_does_not_sign_in_again_who_signed_out(): void
    {
        $slow = $this->opened();
        $leaving = $this->opened();
        $leaving->invalidate();
        $leaving->save();
        $slow->put('find', 'wren');
        $slow->save();

        self::assertSame('', $this->kept->read(str_repeat('a', 40)));
        self::assertNull($this->opened()->get('name'));
    }

    public function test_a_new_name_takes_everything_along(): void
    {
        $signingIn = $this->opened();
        $signingIn->regenerate();
        $signingIn->save();

        self::assertSame('Ada', $this->opened($signingIn->getId())->get('name'));
    }

    private function opened(?string $id = null): SharedSession
    {
        $session = new SharedSession('session', $this->kept, $this->app->make('encrypter'), $id ?? str_repeat('a', 40));
        $session->start();

        return $session;
    }
}
