<template>
  <CoverSheet :id="undefined" />
</template>
