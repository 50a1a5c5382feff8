<?php

declare(strict_types=1);

namespace Zetema\App\Shared;

use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Psr\Log\LoggerInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Zetema\Core\Blueprint\Reading\BlueprintRefused;
use Zetema\Core\Data\Malformed;
use Zetema\Core\Data\ToldToPeople;
use Zetema\Core\Drawing\Proof\CannotDeal;
use Zetema\Core\Question\InvalidQuestion;

/** Every error of the API as problem details (RFC 9457): what is wrong, where, and never a code alone. */
final readonly class ProblemDetails
{
    public function __construct(private LoggerInterface $logger)
    {
    }

    /** @param array<string, mixed> $more */
    public static function response(int $status, string $kind, string $title, string $detail, array $more = []): JsonResponse
    {
        $body = ['type' => 'urn:zetema:problem:' . $kind, 'title' => $title, 'status' => $status, 'detail' => $detail, ...$more];

        return new JsonResponse($body, $status, ['Content-Type' => 'application/problem+json', 'Cache-Control' => 'no-store']);
    }

    /** What the firewall made of its own exceptions. */
    #[AsEventListener(priority: -10)]
    public function afterFirewall(ExceptionEvent $event): void
    {
        $this->onException($event);
    }

    /** Before the framework's own listener, which would log every refusal as a failure. */
    #[AsEventListener(priority: 10)]
    public function onException(ExceptionEvent $event): void
    {
        if (!str_starts_with($event->getRequest()->getPathInfo(), '/api')) {
            return;
        }
        $e = $event->getThrowable();
        if ($e instanceof AuthenticationException || $e instanceof AccessDeniedException) {
            return; // the firewall's business, which answers through LogInPlease or with an HTTP exception
        }
        if ($e instanceof DriverException) {
            // The account could not be looked up, or could be no more: that is no reason to log anybody out (see ContextListener).
            $event->getRequest()->attributes->remove('_security_firewall_run');
        }
        $event->setResponse($this->answer($e));
    }

    private function answer(\Throwable $e): Response
    {
        return match (true) {
            $e instanceof Stale => self::response(409, 'stale', 'This has changed meanwhile', $e->getMessage(), [
                'current' => $e->current,
            ]),
            $e instanceof Conflict => self::response(409, 'conflict', 'This does not go together', $e->getMessage()),
            $e instanceof CannotDeal => self::response(409, 'cannot-deal', 'No form can be dealt', $e->getMessage(), [
                'draws' => $e->shortage->draws ?? [],
            ]),
            $e instanceof BlueprintRefused => self::response(422, 'blueprint', 'This cannot be sat as it is', $e->getMessage(), [
                'problems' => $e->refusals,
            ]),
            $e instanceof Malformed => self::response(422, 'malformed', 'This cannot be taken as it is', $e->getMessage(), [
                'field' => $e->field,
            ]),
            $e instanceof InvalidQuestion => self::response(422, 'question', 'The question cannot stand like this', $e->getMessage(), [
                'field' => $e->setting,
            ]),
            $e instanceof UniqueConstraintViolationException => self::response(
                409,
                'conflict',
                'Somebody was quicker',
                'The same was made or saved at the same moment in another window or by someone else. Nothing of yours was saved; try again.',
            ),
            $e instanceof ToldToPeople => self::response(422, 'refused', 'This cannot be done now', $e->getMessage()),
            $e instanceof HttpExceptionInterface => self::http($e),
            default => $this->broken($e),
        };
    }

    private static function http(HttpExceptionInterface $e): Response
    {
        return match ($e->getStatusCode()) {
            403 => self::response(
                403,
                'forbidden',
                'Not for this account',
                'Your account may not do this. Log in with another account, or ask who keeps the accounts.',
            ),
            404 => self::response(404, 'not-found', 'Not found', 'There is nothing here, or it is not yours to see.'),
            405 => self::response(405, 'method', 'Not possible here', 'This address does not take such a request.'),
            default => self::response(
                $e->getStatusCode(),
                'http',
                'Not possible',
                $e->getMessage() === '' ? 'The request was not understood.' : $e->getMessage(),
            ),
        };
    }

    private function broken(\Throwable $e): Response
    {
        $this->logger->error('A request failed: ' . $e->getMessage(), ['exception' => $e]);
        $fault = StorageFault::in($e);
        if ($fault !== null) {
            return self::response(503, 'storage', 'Cannot be saved now', $fault->inWords());
        }

        return self::response(
            500,
            'failure',
            'Something broke on our side',
            'Nothing was changed by this request. It has been written to the log; please try again.',
        );
    }
}
