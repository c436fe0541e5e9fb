<template>
  <TraceSheet />
</template>
