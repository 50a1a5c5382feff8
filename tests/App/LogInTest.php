<?php

declare(strict_types=1);

namespace Zetema\Tests\App;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\PasswordHasher\Hasher\PlaintextPasswordHasher;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Zetema\App\People\NotLoggedIn;

final class LogInTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private MockClock $clock;

    protected function setUp(): void
    {
        $clock = self::mockTime(new \DateTimeImmutable('2026-05-01 10:00:00'));
        self::assertInstanceOf(MockClock::class, $clock);
        $this->clock = $clock;
        parent::setUp();
    }

    public function test_a_wrong_password_is_told_and_after_several_the_next_attempt_waits(): void
    {
        for ($i = 0; $i < 5; ++$i) {
            self::assertSame(401, $this->attempt('orrell', 'wrong'));
        }
        self::assertSame(429, $this->attempt('orrell', 'honeycomb'), 'the right password waits as well');
        $this->clock->sleep(1);
        self::assertSame(401, $this->attempt('orrell', 'wrong'));
        $this->clock->sleep(1);
        self::assertSame(429, $this->attempt('orrell', 'wrong'), 'longer each time');
        self::assertSame('1', $this->client->getResponse()->headers->get('Retry-After'));
        $this->clock->sleep(1);
        self::assertSame(200, $this->attempt('orrell', 'honeycomb'), 'nobody is locked out');
        self::assertSame(401, $this->attempt('orrell', 'wrong'), 'and it begins anew');
    }

    public function test_a_classroom_behind_one_address_is_not_locked_out_and_nobody_locks_out_somebody_else(): void
    {
        self::assertSame(200, $this->attempt('wren', 'honeycomb'));
        for ($i = 0; $i < 40; ++$i) {
            $this->attempt("pupil$i", 'wrong');
            $this->attempt('aldous', 'wrong', '10.0.0.7');
        }

        self::assertSame(200, $this->attempt('wren', 'honeycomb'), 'another name that has logged in from that address');
        self::assertSame(429, $this->attempt('aldous', 'honeycomb', '10.0.0.7'));
        self::assertSame(429, $this->attempt('carrow', 'honeycomb'), 'one that never has waits while so many names fail there');
        $this->clock->sleep(30);
        self::assertSame(200, $this->attempt('carrow', 'honeycomb'), 'and is not locked out');
        self::assertSame(200, $this->attempt('aldous', 'honeycomb'), 'that name from another address');
    }

    public function test_wrong_access_codes_slow_their_address_down(): void
    {
        $this->logIn('aldous');
        for ($i = 0; $i < 60; ++$i) {
            $this->send('POST', '/api/access-codes', ['code' => "none-$i"], status: 422);
        }
        $this->send('POST', '/api/access-codes', ['code' => 'none'], status: 429);
        $this->clock->sleep(2);
        $this->send('POST', '/api/access-codes', ['code' => 'none'], status: 422);
    }

    public function test_a_hash_that_is_weaker_than_the_house_makes_them_is_made_anew_once(): void
    {
        $db = self::getContainer()->get(Connection::class);
        $hash = static fn (): mixed => $db->fetchOne("SELECT password_hash FROM account WHERE login = 'wren'");
        $db->executeStatement("UPDATE account SET password_hash = ? WHERE login = 'wren'", [password_hash('honeycomb', PASSWORD_BCRYPT, ['cost' => 5])]);
        self::assertSame(200, $this->attempt('wren', 'honeycomb'));
        $upgraded = $hash();
        self::assertStringContainsString('$04$', is_string($upgraded) ? $upgraded : '', 'as the house makes them in tests');
        self::assertSame(200, $this->attempt('wren', 'honeycomb'));
        self::assertSame($upgraded, $hash());
    }

    /** @return iterable<string, array{string}> */
    public static function addresses(): iterable
    {
        foreach (['/api/banks/1/questions?search=%ff', '/api/banks/1/questions?objective=%C3%28', '/api/banks/1/find?what=%ff', '/api/editions/1/results?name=%ff', '/api/banks/1/proofreading?rule=%ff'] as $path) {
            yield $path => [$path];
        }
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('addresses')]
    public function test_an_address_that_is_no_utf_8_is_refused_in_words(string $path): void
    {
        $this->logIn('orrell');
        self::assertSame('address', $this->send('GET', $path, status: 422)->text('field'));
    }

    public function test_replies_are_data_to_every_browser(): void
    {
        $this->logIn('orrell');
        $this->send('GET', '/api/banks');
        $headers = $this->client->getResponse()->headers;
        self::assertSame(['nosniff', "default-src 'none'; frame-ancestors 'none'"], [$headers->get('X-Content-Type-Options'), $headers->get('Content-Security-Policy')]);
        $this->client->request('GET', '/');
        self::assertStringContainsString("object-src 'none'", (string) $this->client->getResponse()->headers->get('Content-Security-Policy'));
    }

    public function test_the_longest_wait_is_half_a_minute(): void
    {
        for ($i = 0; $i < 12; ++$i) {
            $this->attempt('orrell', 'wrong');
            $this->clock->sleep(30);
        }
        self::assertSame(200, $this->attempt('orrell', 'honeycomb'));
    }

    public function test_an_administrator_lifts_it(): void
    {
        for ($i = 0; $i < 9; ++$i) {
            $this->attempt('aldous', 'wrong');
        }
        $this->send('POST', '/api/log-in', ['login' => 'kestle', 'password' => 'honeycomb'], 'Me');
        $slowed = $this->send('GET', '/api/slowed-log-ins', schema: 'SlowedLogIns')->objects('slowed');
        self::assertSame(['aldous'], array_map(static fn ($s): string => $s->text('login'), $slowed));
        $this->send('DELETE', '/api/slowed-log-ins/' . $slowed[0]->integer('id'), schema: 'SlowedLogIns');

        self::assertSame(200, $this->attempt('aldous', 'honeycomb'));
    }

    /** @return iterable<string, array{\Throwable|null, int}> why it failed, how many passwords are hashed for it here */
    public static function failures(): iterable
    {
        yield 'an unknown name: as much work as a known one' => [new UserNotFoundException(), 1];
        yield 'a wrong password was looked at already' => [null, 0];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('failures')]
    public function test_an_unknown_name_takes_as_long_as_a_wrong_password(?\Throwable $why, int $hashed): void
    {
        $hashers = new class implements PasswordHasherFactoryInterface {
            public int $asked = 0;

            public function getPasswordHasher(mixed $user): PasswordHasherInterface
            {
                ++$this->asked;

                return new PlaintextPasswordHasher();
            }
        };
        $answer = (new NotLoggedIn($hashers))->onAuthenticationFailure(new Request(content: '{"password":"x"}'), new BadCredentialsException('', 0, $why));

        self::assertSame([401, $hashed], [$answer->getStatusCode(), $hashers->asked]);
    }

    public function test_a_page_of_one_person_does_nothing_in_the_name_of_another(): void
    {
        $this->logIn('carrow');
        $sitting = $this->send('POST', '/api/editions/1/sittings', schema: 'Sitting', status: 201);
        $path = '/api/sittings/' . $sitting->integer('id');
        $this->logIn('wren');
        $whose = self::getContainer()->get(Connection::class)->fetchOne("SELECT id FROM account WHERE login = 'carrow'");
        self::assertIsInt($whose);
        $this->client->request('POST', $path . '/events', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1', 'HTTP_X_ZETEMA_ACCOUNT' => (string) $whose], content: '{}');
        $problem = \Zetema\Core\Data\Fields::ofJson((string) $this->client->getResponse()->getContent());

        self::assertSame([401, 'urn:zetema:problem:other-account'], [$this->client->getResponse()->getStatusCode(), $problem->text('type')]);
        self::assertStringContainsString('B. Wren', $problem->text('detail'));
    }

    private function attempt(string $login, string $password, string $address = '10.0.0.9'): int
    {
        $this->client->request(
            'POST',
            '/api/log-in',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_ZETEMA' => '1', 'REMOTE_ADDR' => $address],
            content: json_encode(['login' => $login, 'password' => $password], JSON_THROW_ON_ERROR),
        );

        return $this->client->getResponse()->getStatusCode();
    }
}
